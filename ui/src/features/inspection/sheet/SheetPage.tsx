import { useEffect, useState } from 'react';
import type { InspectedView, InspectionView } from '../../../api';
import { FileButton } from '../../../parts';
import { Button, Confirm, TextArea, ToggleGroup } from '../../../parts/ui';
import { say } from '../../../words';
import { PointSheet } from '../PointSheet';
import { pointWords, type State, states } from '../points';
import { type Found, fileOf, hold, isLookedAt, type PointFound } from './found';
import { reduced } from './photo';

interface Props {
  view: InspectionView;
  /** What was found before, on this phone or at home. */
  before: Found;
}

/** The sheet on the phone, in a hand and without a network: it holds what is entered, and saves it to a file. */
export function SheetPage({ view, before }: Props) {
  const [found, setFound] = useState(before);
  const [isHeld, setIsHeld] = useState(true);
  const [savedAs, setSavedAs] = useState<string>();
  useEffect(() => {
    let isOld = false;
    hold(view, found).then((held) => !isOld && setIsHeld(held));
    return () => {
      isOld = true;
    };
  }, [view, found]);
  useEffect(() => {
    // Closing loses nothing that the phone holds; where it holds nothing, it asks.
    const asks = (event: BeforeUnloadEvent) => event.preventDefault();
    if (!isHeld && !found.saved) window.addEventListener('beforeunload', asks);
    return () => window.removeEventListener('beforeunload', asks);
  }, [isHeld, found.saved]);

  const change = (point: InspectedView['point'], to: (one: PointFound) => PointFound) =>
    setFound((now) => {
      const one = now.points[point] ?? { note: '', photos: [] };
      return { points: { ...now.points, [point]: to(one) }, saved: false };
    });
  const save = () => {
    const file = `${view.name.replace(/[^\p{L}\p{N}]+/gu, '-')}-inspection.json`;
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([JSON.stringify(fileOf(view, found))], { type: 'application/json' }));
    link.download = file;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
    setSavedAs(file);
    setFound((now) => ({ ...now, saved: true }));
  };
  const all = Object.values(found.points);
  const photos = all.reduce((sum, one) => sum + one.photos.length, 0);
  return (
    <main id="main" className="mx-auto grid max-w-175 grid-cols-one gap-3 p-3 pb-30 print:block print:p-0">
      <section className="sheet px-4 py-3">
        <h1 className="text-22">{say('inspection.inspectionOf', { name: view.name })}</h1>
        <p className="mt-2 border-l-4 border-limit pl-3">{view.caution}</p>
      </section>
      {view.points.map(({ point, knocksOut }) => (
        <Point
          key={point}
          of={point}
          knocksOut={knocksOut}
          one={found.points[point] ?? { note: '', photos: [] }}
          isFull={photos >= view.mostPhotos}
          longestNote={view.longestNote}
          onChange={(to) => change(point, to)}
        />
      ))}
      <footer className="fixed inset-x-0 bottom-0 border-t border-rule bg-sheet px-4 py-2.5 noprint">
        <div className="mx-auto flex max-w-175 flex-wrap items-center gap-3">
          <Button kind="main" className="min-h-11" onClick={save}>
            {say('inspection.save')}
          </Button>
          <Button className="min-h-11" onClick={() => window.print()}>
            {say('inspection.print')}
          </Button>
          <span className="head">
            {say('inspection.lookedAt', { done: all.filter(isLookedAt).length, all: all.length })}
          </span>
        </div>
        <p role="status" className="mx-auto mt-1 max-w-175 text-13 text-soft">
          {found.saved && savedAs && say('inspection.savedAs', { file: savedAs })}
          {!found.saved && say('inspection.notSavedYet')}{' '}
          {!found.saved && (isHeld ? say('inspection.keptHere') : say('inspection.notKeptHere'))}
        </p>
      </footer>
    </main>
  );
}

interface PointProps {
  of: InspectedView['point'];
  knocksOut: boolean;
  one: PointFound;
  isFull: boolean;
  longestNote: number;
  onChange: (to: (one: PointFound) => PointFound) => void;
}

function Point({ of, knocksOut, one, isFull, longestNote, onChange }: PointProps) {
  const { name } = pointWords(of);
  const [refused, setRefused] = useState<string>();
  const add = async (file: File) => {
    try {
      const photo = { id: crypto.randomUUID(), takenAt: new Date().toISOString(), jpeg: await reduced(file) };
      setRefused(undefined);
      onChange((now) => ({ ...now, photos: [...now.photos, photo] }));
    } catch {
      setRefused(say('inspection.notAPicture', { file: file.name }));
    }
  };
  return (
    <PointSheet of={of} state={one.state} seen={isLookedAt(one)} knocksOut={knocksOut}>
      <ToggleGroup
        label={say('inspection.found', { point: name })}
        value={one.state}
        onPick={(code) => onChange((now) => ({ ...now, state: code as State }))}
        options={states()}
        large
        className="mt-2 noprint"
      />
      <TextArea
        aria-label={say('inspection.whatWasSeen', { point: name })}
        placeholder={say('inspection.whatWasSeen', { point: name })}
        maxLength={longestNote}
        value={one.note}
        onChange={(event) => onChange((now) => ({ ...now, note: event.target.value }))}
        className="mt-2 w-full noprint"
      />
      <p className="hidden whitespace-pre-line print:block">{one.note}</p>
      {one.photos.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-3">
          {one.photos.map((photo, i) => (
            <li key={photo.id} className="grid gap-1">
              <img
                src={`data:image/jpeg;base64,${photo.jpeg}`}
                alt={say('inspection.photoOf', { number: i + 1, point: name })}
                className="h-30 w-auto max-w-full border border-rule object-contain print:h-45"
              />
              <Confirm
                title={say('inspection.deletePhoto')}
                says={say('inspection.photoOf', { number: i + 1, point: name })}
                does={say('inspection.delete')}
                onDo={() =>
                  onChange((now) => ({ ...now, photos: now.photos.filter((other) => other.id !== photo.id) }))
                }
              >
                <Button kind="link" className="min-h-11 noprint" aria-label={say('inspection.deletePhoto')}>
                  {say('inspection.delete')}
                </Button>
              </Confirm>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3 noprint">
        {isFull ? (
          <span className="text-soft">{say('inspection.noMorePhotos')}</span>
        ) : (
          <FileButton
            label={say('inspection.addAPhoto')}
            name={say('inspection.addAPhotoOf', { point: name })}
            accept="image/*"
            className="min-h-11"
            onFile={add}
          />
        )}
        {refused && (
          <span role="alert" className="text-limit">
            {refused}
          </span>
        )}
      </div>
    </PointSheet>
  );
}
