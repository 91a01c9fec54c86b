import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { ask, client, type DriveView, Refusal } from '../../api';
import { Answer, FirstThing, isRefused } from '../../parts';
import { parseNumber } from '../../quantity';
import { say } from '../../words';
import { AlcPage } from './AlcPage';
import { BandRows } from './BandRows';
import { BiasPage } from './BiasPage';
import { ChainPage } from './ChainPage';
import { Guard } from './Guard';
import { MatcherPage } from './MatcherPage';
import { ResonancePage } from './ResonancePage';
import { SweepSheet } from './SweepSheet';
import { TableSheet } from './TableSheet';
import { VoltsPage } from './VoltsPage';
import { WaveformPage } from './WaveformPage';

const KEY = 'tubrin.drive';

interface Chosen {
  amplifier?: string;
  /** As typed; empty for the usual share of the rating. */
  wanted: string;
  band?: string;
  /** What the rows are of. */
  kind?: DriveView['kind'];
}

function remembered(): Chosen {
  try {
    return { wanted: '', ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Chosen>) };
  } catch {
    return { wanted: '' };
  }
}

const wattOf = (typed: string) => {
  const watt = parseNumber(typed) ?? 0;
  return watt > 0 ? watt : undefined;
};

/** Asks for the tables; where the output that is wanted cannot be, for those of the usual one, with what was said against it. */
async function tables(amplifier: string | undefined, kind: DriveView['kind'], wanted: number | undefined) {
  const asked = amplifier ? { amplifier, kind } : { kind };
  const get = (more: { wanted?: number }) =>
    ask(client.GET('/api/drive', { params: { query: { ...asked, ...more } } }));
  try {
    return { view: await get(wanted === undefined ? {} : { wanted }), refused: undefined };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const gone = isRefused(error, 'amplifier') || error.status === 404;
    if (!gone && !isRefused(error, 'wanted')) throw error;
    return {
      view: gone ? await ask(client.GET('/api/drive', { params: { query: { kind } } })) : await get({}),
      refused: gone ? undefined : error,
    };
  }
}

/** Drive: the tables of the bands with their guard, chain, matcher, levels into the exciters, idle currents, waveforms, what switches, what drifts. */
export function DrivePage() {
  const { tab } = useParams();
  if (tab === 'alc') return <AlcPage />;
  if (tab === 'matcher') return <MatcherPage />;
  if (tab === 'chain') return <ChainPage />;
  if (tab === 'waveform') return <WaveformPage />;
  if (tab === 'volts') return <VoltsPage />;
  if (tab === 'resonance') return <ResonancePage />;
  return tab === 'bias' ? <BiasPage /> : <TablePage />;
}

/** Which band wants how much drive, how to come from one to another, and what one drive gave before and since. */
function TablePage() {
  const [chosen, setChosen] = useState(remembered);
  const change = (more: Partial<Chosen>) => {
    const next = { ...chosen, ...more };
    setChosen(next);
    localStorage.setItem(KEY, JSON.stringify(next));
  };
  const wanted = wattOf(chosen.wanted);
  const kind = chosen.kind ?? 'CARRIER';
  const view = useQuery({
    queryKey: ['drive', chosen.amplifier, kind, wanted],
    queryFn: () => tables(chosen.amplifier, kind, wanted),
    placeholderData: (before) => before,
  });
  useEffect(() => {
    document.title = say('drive.driveTubrin');
  }, []);
  return (
    <Answer query={view} what={say('drive.theDriveTables')}>
      {(data) =>
        data.view.amplifier ? (
          <Tables view={data.view} refused={data.refused} chosen={chosen} change={change} />
        ) : (
          <FirstThing title={say('drive.noAmplifierWithoutDialsYet')} to={['/station', say('shared.goToStation')]}>
            {say('drive.aDriveTableSaysWhich')}{' '}
            <Link className="text-act underline" to="/drive/alc">
              ALC
            </Link>
            .
          </FirstThing>
        )
      }
    </Answer>
  );
}

interface Props {
  view: DriveView;
  /** What was said against the output that is wanted. */
  refused: Refusal | undefined;
  chosen: Chosen;
  change: (more: Partial<Chosen>) => void;
}

function Tables({ view, refused, chosen, change }: Props) {
  const { tab } = useParams();
  const band =
    view.bands.find((one) => one.band === chosen.band) ??
    view.bands.find((one) => one.rows.length > 0) ??
    view.bands[0];
  const amplifier = view.amplifier;
  if (!band || !amplifier) return null;
  if (tab === 'sweep') return <SweepSheet key={`${amplifier.id} ${view.kind}`} view={view} />;
  return (
    <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
      <TableSheet
        view={view}
        band={band}
        wanted={chosen.wanted}
        refused={refused}
        onWanted={(text) => change({ wanted: text })}
        onAmplifier={(id) => change({ amplifier: id, band: undefined, wanted: '' })}
        onBand={(code) => change({ band: code })}
        onKind={(kind) => change({ kind, wanted: '' })}
      />
      <Guard key={view.kind} view={view} from={band} first={tab === 'guard'} />
      <div className="wide:col-span-2">
        <BandRows band={band} amplifierId={amplifier.id} kind={view.kind} />
      </div>
    </div>
  );
}
