import { useRef } from 'react';
import type { BandView, DriveView, Refusal } from '../../api';
import { Refused } from '../../parts';
import { Input, Label, OneOf, ScrollArea, UprightSlider } from '../../parts/ui';
import { type BandStair, BandStairs, outputScale, SaveDrawing, Sized, STAIRS } from '../../plot';
import { say } from '../../words';
import { DriveTabs } from './DriveTabs';

const LEAST_COLUMN_PX = 68;
const SLIDER_PX = 300;

interface Props {
  view: DriveView;
  band: BandView;
  /** As typed. */
  wanted: string;
  /** What was said against it. */
  refused: Refusal | undefined;
  onWanted: (text: string) => void;
  onAmplifier: (id: string) => void;
  onBand: (band: BandView['band']) => void;
  onKind: (kind: DriveView['kind']) => void;
}

/** Bands side by side as stairs of drive and output, with what each wants for the output that is wanted. */
export function TableSheet({ view, band, wanted, refused, onWanted, onAmplifier, onBand, onKind }: Props) {
  const drawing = useRef<SVGSVGElement>(null);
  const amplifier = view.amplifier;
  if (!amplifier) return null;
  const stairs = view.bands.map(stairOf);
  const fileName = `drive-${amplifier.name.replaceAll(' ', '-')}`;
  return (
    <section aria-label={say('drive.driveBandByBand')} className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">{say('drive.driveBandByBand')}</h1>
        <SaveDrawing
          name={fileName}
          csv={`/api/drive/table.csv?amplifier=${amplifier.id}`}
          drawing={() => drawing.current}
        />
        <DriveTabs />
      </header>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <OneOf
          label={say('shared.amplifier')}
          options={view.amplifiers.map((one) => ({ code: one.id, name: one.name }))}
          chosen={[amplifier.id]}
          onPick={onAmplifier}
        />
        <span className="flex items-center gap-2">
          <Label htmlFor="wanted">{say('drive.wanted')}</Label>
          <Input
            id="wanted"
            number
            className="w-19"
            maxLength={8}
            placeholder={String(amplifier.wantedW)}
            value={wanted}
            aria-invalid={refused !== undefined}
            onChange={(event) => onWanted(event.target.value)}
          />
          <span className="text-soft">{say('drive.wRatedW', { ratedW: amplifier.ratedW })}</span>
        </span>
        <OneOf
          label={say('drive.rowsOfWhich')}
          options={view.kinds.map((one) => ({ code: one.kind, name: one.name }))}
          chosen={[view.kind]}
          onPick={(code) => onKind(code as DriveView['kind'])}
        />
        <Refused error={refused} />
      </div>
      <Sized>
        {(room) => {
          const width = Math.max(room, STAIRS.left + view.bands.length * LEAST_COLUMN_PX);
          const y = outputScale(stairs, amplifier.wantedW, amplifier.ratedW);
          // The line is taken hold of on its logarithmic scale.
          const slide = y.copy().range([0, SLIDER_PX]);
          return (
            <ScrollArea label={say('drive.stairsOfTheBands')}>
              <div className="relative" style={{ width }}>
                <BandStairs
                  drawing={drawing}
                  bands={stairs}
                  heads={[say('drive.headDrive'), say('drive.headGain'), say('drive.headSwr')]}
                  chosen={band.band}
                  wantedW={amplifier.wantedW}
                  ratedW={amplifier.ratedW}
                  driveLimitW={amplifier.driveLimitW}
                  width={width}
                />
                <span
                  className="pointer-events-none absolute right-1 bg-sheet px-1 text-13 font-semibold"
                  style={{ top: y(amplifier.wantedW) - 22 }}
                >
                  {say('drive.wantedFromWayUp', { wantedW: amplifier.wantedW })}
                </span>
                <UprightSlider
                  thumbs={[
                    {
                      key: 'wanted',
                      value: Math.round(slide(amplifier.wantedW)),
                      label: say('drive.wantedOutput'),
                      says: say('drive.wattsWanted', { wantedW: amplifier.wantedW }),
                    },
                  ]}
                  least={0}
                  most={SLIDER_PX}
                  step={1}
                  onChange={([at = 0]) => onWanted(String(Math.round(slide.invert(at))))}
                  onHeld={() => undefined}
                  at={{
                    left: STAIRS.left,
                    top: STAIRS.top,
                    width: width - STAIRS.left,
                    height: STAIRS.height - STAIRS.foot - STAIRS.top,
                  }}
                />
              </div>
            </ScrollArea>
          );
        }}
      </Sized>
      <p className="text-13 text-soft">
        {say('drive.stepsWhatWasMeasured', { says: view.kinds.find((one) => one.kind === view.kind)?.says })}{' '}
        <span className="text-twin italic">{say('drive.dottedInBracketsTheLaw')}</span>{' '}
        {say('drive.heavyTickTrippedThereDrive')}
      </p>
      <OneOf
        label={say('drive.bandToLookAt')}
        options={view.bands.map((one) => ({ code: one.band, name: one.name.replace(' MHz', '') }))}
        chosen={[band.band]}
        onPick={(code) => onBand(code as BandView['band'])}
      />
    </section>
  );
}

function stairOf(band: BandView): BandStair {
  return {
    key: band.band,
    name: band.name,
    rows: band.rows,
    law: band.law,
    trips: band.trips,
    figures: [drive(band), band.gain ?? '–', band.swr ?? '–'],
  };
}

function drive(band: BandView): string {
  if (band.wanted.shown === undefined) return band.runId ? band.wanted.says : '–';
  return band.wanted.basis === 'LAW' ? `(${band.wanted.shown})` : band.wanted.shown;
}
