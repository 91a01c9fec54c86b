import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { ask, client, type InspectedView, type InspectionFile, type InspectionView } from '../../api';
import { Answer, FileButton, Trouble } from '../../parts';
import { Button, Confirm, tell } from '../../parts/ui';
import { utc } from '../../quantity';
import { say } from '../../words';
import { PointSheet } from './PointSheet';
import { pointWords } from './points';
import { FORMAT } from './sheet/found';

/** What was seen of an amplifier that is offered; the sheet to take along, and what it brings back. */
export function InspectionPage() {
  const id = useParams().candidateId ?? '';
  const found = useQuery({
    queryKey: ['equipment', 'inspection', id],
    queryFn: () => ask(client.GET('/api/candidates/{id}/inspection', { params: { path: { id } } })),
  });
  useEffect(() => {
    document.title = say('inspection.inspectionTubrin');
  }, []);
  return (
    <Answer query={found} what={say('inspection.theInspection')}>
      {(view) => <Inspection view={view} />}
    </Answer>
  );
}

class NotASheetsFile extends Error {}

/** Reads what a sheet saved; what it holds is for the server to judge. */
async function read(file: File): Promise<InspectionFile> {
  try {
    const read = JSON.parse(await file.text());
    if (read?.format === FORMAT) return read;
  } catch {
    // Said below, as for any other file.
  }
  throw new NotASheetsFile(say('inspection.notASheetsFile', { file: file.name }));
}

function Inspection({ view }: { view: InspectionView }) {
  const queries = useQueryClient();
  const path = { id: view.candidateId };
  const bring = useMutation({
    mutationFn: async (file: File) => {
      const body = await read(file);
      await ask(client.POST('/api/candidates/{id}/inspection', { params: { path }, body }));
      return body;
    },
    onSuccess: async (body, file) => {
      tell(say('inspection.isIn', { points: body.points.length, photos: body.photos.length }), file.name);
      await queries.invalidateQueries({ queryKey: ['equipment'] });
    },
  });
  const remove = useMutation({
    mutationFn: (photoId: string) =>
      ask(
        client.DELETE('/api/candidates/{id}/inspection/photos/{photoId}', { params: { path: { ...path, photoId } } }),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: ['equipment', 'inspection'] }),
  });
  const error = bring.error ?? remove.error;
  const address = `/api/candidates/${view.candidateId}/inspection`;
  return (
    <div
      className="mx-auto my-5 grid max-w-250 grid-cols-one gap-3.5 px-5 print:m-0 print:block"
      data-part="inspection"
    >
      <section className="sheet px-4.5 py-3.5">
        <Link to="/station/choosing" className="text-act underline noprint">
          {say('inspection.backToChoosing')}
        </Link>
        <h1 className="text-22">{say('inspection.inspectionOf', { name: view.name })}</h1>
        {view.verdict && (
          <p className={view.knockedOut ? 'head text-18 text-limit' : 'text-18'} data-part="verdict">
            {view.verdict}
          </p>
        )}
        <p className="mt-2 border-l-4 border-limit pl-3">{view.caution}</p>
        <div className="mt-3 flex flex-wrap items-center gap-3 noprint">
          <Button kind="main" asChild>
            <a href={`${address}/sheet`} download>
              {say('inspection.takeAlong')}
            </a>
          </Button>
          <FileButton
            label={say('inspection.putIn')}
            accept=".json,application/json"
            onFile={(file) => bring.mutate(file)}
          />
          <Button asChild>
            <Link to={`/station/${view.candidateId}`}>{say('inspection.change')}</Link>
          </Button>
          <Button onClick={() => window.print()}>{say('inspection.print')}</Button>
        </div>
        <p className="mt-2 text-13 text-soft noprint">{say('inspection.takeAlongHow')}</p>
        {error && (
          <div className="mt-3">
            {error instanceof NotASheetsFile ? (
              <p role="alert" className="text-limit">
                {error.message}
              </p>
            ) : (
              <Trouble error={error} />
            )}
          </div>
        )}
      </section>
      {view.points.map((point) => (
        <Point key={point.point} point={point} address={address} onRemove={(id) => remove.mutate(id)} />
      ))}
    </div>
  );
}

interface PointProps {
  point: InspectedView;
  address: string;
  onRemove: (photoId: string) => void;
}

function Point({ point, address, onRemove }: PointProps) {
  const { name } = pointWords(point.point);
  return (
    <PointSheet
      of={point.point}
      state={point.state ?? undefined}
      seen={point.note !== undefined || point.photos.length > 0}
      knocksOut={point.knocksOut}
    >
      {point.note && <p className="mt-1 whitespace-pre-line">{point.note}</p>}
      {point.photos.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-3">
          {point.photos.map((photo, i) => (
            <li key={photo.id} className="grid gap-1">
              <a href={`${address}/photos/${photo.id}`} target="_blank" rel="noreferrer">
                <img
                  src={`${address}/photos/${photo.id}`}
                  alt={say('inspection.photoOf', { number: i + 1, point: name })}
                  className="h-45 w-auto max-w-full border border-rule object-contain"
                />
              </a>
              <span className="flex items-baseline justify-between gap-3 text-13 text-soft">
                {utc(photo.takenAt)}
                <Confirm
                  title={say('inspection.deletePhoto')}
                  says={say('inspection.photoIsGone')}
                  does={say('inspection.delete')}
                  onDo={() => onRemove(photo.id)}
                >
                  <Button kind="link" className="noprint" aria-label={say('inspection.deletePhoto')}>
                    {say('inspection.delete')}
                  </Button>
                </Confirm>
              </span>
            </li>
          ))}
        </ul>
      )}
    </PointSheet>
  );
}
