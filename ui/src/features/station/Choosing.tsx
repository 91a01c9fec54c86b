import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { ask, type CandidateView, type ChoosingView, client } from '../../api';
import { Answer, Diamond, FirstThing } from '../../parts';
import { Cell, Head, RowHead, Table } from '../../parts/ui';
import { say } from '../../words';

/** The amplifiers that one thinks of, side by side: claims against arithmetic. */
export function Choosing() {
  const choosing = useQuery({ queryKey: ['equipment', 'choosing'], queryFn: () => ask(client.GET('/api/choosing')) });
  useEffect(() => {
    document.title = say('station.choosingTubrin');
  }, []);
  return (
    <Answer query={choosing} what={say('station.theCandidates')}>
      {(view) =>
        view.candidates.length === 0 ? (
          <FirstThing
            title={say('station.noCandidateYet')}
            to={['/station/new/candidate', say('station.describeACandidate')]}
          >
            {say('station.choosingWhat')}
          </FirstThing>
        ) : (
          <SideBySide view={view} />
        )
      }
    </Answer>
  );
}

function SideBySide({ view }: { view: ChoosingView }) {
  const all = view.candidates;
  const row = (head: string, of: (one: CandidateView) => React.ReactNode) =>
    all.some((one) => of(one)) && (
      <tr key={head}>
        <RowHead className="align-top">{head}</RowHead>
        {all.map((one) => (
          <Cell key={one.id} className="align-top">
            {of(one) ?? <span className="text-soft">–</span>}
          </Cell>
        ))}
      </tr>
    );
  return (
    <section aria-label={say('station.choosing')} className="sheet px-5 py-4" data-part="choosing">
      <h1 className="text-22">{say('station.choosing')}</h1>
      <p className="mb-3 text-soft">{say('station.choosingWhat')}</p>
      <Table caption={say('station.choosing')} quiet wide={say('station.theCandidates')}>
        <thead>
          <tr>
            <td />
            {all.map((one) => (
              <Head key={one.id}>
                <Link to={`/station/${one.id}`} className="head text-18 text-act underline">
                  {one.name}
                </Link>
              </Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {row(say('station.againstTheClaim'), (one) =>
            one.flags.length > 0 ? (
              <ul className="grid gap-2">
                {one.flags.map((flag) => (
                  <li key={flag.code}>
                    <span className="flex items-baseline gap-2">
                      <Diamond />
                      <span className="head">{flag.title}</span>
                    </span>
                    <span className="block text-13 text-soft">{flag.meaning}</span>
                  </li>
                ))}
              </ul>
            ) : undefined,
          )}
          {row(say('station.claimed'), (one) => (
            <>
              {one.claim}
              {one.asCarrier && <span className="block text-13 text-soft">{one.asCarrier}</span>}
            </>
          ))}
          {row(say('station.byItsSheet'), (one) =>
            one.sheet ? (
              <>
                {one.sheet}
                {one.heat && <span className="block text-13 text-soft">{one.heat}</span>}
              </>
            ) : undefined,
          )}
          {row(say('station.byItsHeat'), (one) => one.bound)}
          {row(say('station.toCountOn'), (one) => (
            <span className="figure text-18">{one.countedOn}</span>
          ))}
          {row(say('station.overYourLicence', { watt: view.licenceW }), (one) => one.overLicence)}
          {row(say('station.overTheBareExciter', { watt: view.exciterW }), (one) => one.overExciter)}
          {row(say('station.againstTheLoudest'), (one) => one.louder)}
          {row(say('station.fromTheMains'), (one) => one.mains)}
          {row(say('station.newOne'), (one) => one.priceNew)}
          {row(say('station.usedOne'), (one) => one.priceUsed)}
          {row(say('station.tubeSet'), (one) => one.tubes)}
          {row(say('station.weightWithin'), (one) => one.weight)}
          {row(say('station.delivery'), (one) => one.delivery)}
          {row(say('station.condition'), (one) => (
            <>
              {one.condition && <span className={one.knockedOut ? 'head text-limit' : ''}>{one.condition} </span>}
              <Link
                to={`/station/${one.id}/inspection`}
                className="text-act underline"
                aria-label={say('station.inspect', { name: one.name })}
              >
                {say('station.inspection')}
              </Link>
            </>
          ))}
        </tbody>
      </Table>
    </section>
  );
}
