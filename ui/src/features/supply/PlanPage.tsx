import { useState } from 'react';
import { Link } from 'react-router';
import type { Plan, PlanRecord, PlanView, SupplyRecordView } from '../../api';
import { FoldedSheet, Refused, Sheet, SignalLine, Trouble, useDraft } from '../../parts';
import { Button, Label, Select, Skeleton, tell } from '../../parts/ui';
import { saveJson } from '../../plot';
import { say } from '../../words';
import { Beside } from './Beside';
import { Facts, Findings } from './Parts';
import { Kinds, Modes, RunDown, Schools, Stair, Strip } from './PlanSheets';
import { Shelf } from './SupplyPage';
import { useJudged, useSavePlan } from './useSupplyRecords';
import { WhatIf } from './WhatIf';

/** A plan: what it comes to, and what it would come to if something were otherwise. */
export function PlanPage({ records, kept }: { records: SupplyRecordView[]; kept: PlanRecord }) {
  const { body } = kept;
  const typed = useDraft<Plan>(`whatIf.${kept.id}`, kept.revision, () => body);
  const { value: draft, change: setDraft } = typed;
  const [besideId, setBesideId] = useState('');
  const changed = JSON.stringify(draft) !== JSON.stringify(body);
  const judged = useJudged(draft);
  const plans = records.filter((one): one is PlanRecord => one.kind === 'PLAN');
  const other = plans.find((one) => one.id === besideId);
  const beside = useJudged(other?.body);
  const keep = useSavePlan(kept);
  const keepAnew = useSavePlan();
  const view = judged.data;
  return (
    <>
      <Shelf
        records={records}
        tools={
          <>
            <span className="flex items-center gap-2">
              <Label htmlFor="beside">{say('supply.beside')}</Label>
              <Select
                id="beside"
                className="max-w-55"
                value={besideId}
                onPick={setBesideId}
                options={[
                  ['', say('shared.nothing')],
                  ...plans.map(
                    (one) => [one.id, one.id === kept.id ? say('supply.thisPlanAsSaved') : one.name] as const,
                  ),
                ]}
              />
            </span>
            <Link className="text-act underline" to={`/supply/plans/${kept.id}/edit`}>
              {say('supply.edit')}
            </Link>
            <Button kind="link" onClick={() => saveJson(draft, kept.name)}>
              JSON
            </Button>
            <Button onClick={() => window.print()}>{say('shared.print')}</Button>
          </>
        }
      />
      {view ? (
        <Judged
          name={kept.name}
          view={view}
          draft={draft}
          onDraft={setDraft}
          beside={
            other && beside.data ? (
              <Beside name={kept.name} view={view} otherName={nameOf(other, kept)} other={beside.data} />
            ) : undefined
          }
          besideStair={besideId ? beside.data?.stair?.treads : undefined}
          refusal={judged.error && <Refused error={judged.error} named />}
          keeping={
            changed && (
              <div className="mt-3 flex flex-wrap items-center gap-2 border-t border-hair pt-3">
                <Button
                  kind="main"
                  disabled={keep.isPending}
                  onClick={() =>
                    keep.mutate(draft, { onSuccess: (record) => tell(say('supply.isSaved', { record: record.name })) })
                  }
                >
                  {say('shared.save')}
                </Button>
                <Button
                  disabled={keepAnew.isPending}
                  onClick={() =>
                    keepAnew.mutate({ ...draft, name: say('supply.changed', { kept: kept.name }).slice(0, 80) })
                  }
                >
                  {say('supply.saveAsAnotherPlan')}
                </Button>
                <Button kind="quiet" onClick={typed.drop}>
                  {say('supply.putBack')}
                </Button>
                <Refused error={keep.error ?? keepAnew.error} />
              </div>
            )
          }
        />
      ) : judged.error ? (
        <div className="p-5">
          <Trouble page error={judged.error} retry={() => void judged.refetch()} />
        </div>
      ) : (
        <Skeleton what={say('supply.whatThePlanComesTo')} />
      )}
    </>
  );
}

const nameOf = (other: SupplyRecordView, kept: SupplyRecordView) =>
  other.id === kept.id ? say('supply.asKept') : other.name;

interface JudgedProps {
  name: string;
  view: PlanView;
  draft: Plan;
  onDraft: (draft: Plan) => void;
  beside: React.ReactNode;
  besideStair: NonNullable<PlanView['stair']>['treads'] | undefined;
  refusal: React.ReactNode;
  keeping: React.ReactNode;
}

function Judged({ name, view, draft, onDraft, beside, besideStair, refusal, keeping }: JudgedProps) {
  const good =
    view.verdict.code === 'CARRIES' || view.verdict.code === 'CARRIES_BY_SOME' || view.verdict.code === 'EMPTY';
  return (
    <div data-part="plan">
      <h1 className="sr-only print:not-sr-only print:px-5 print:text-27">{name}</h1>
      <SignalLine nodes={view.line} />
      <div className="mx-5 mb-5 grid items-start gap-3.5 roomy:grid-cols-main-broad print:flex print:flex-col print:items-stretch print:gap-1">
        <div className="grid grid-cols-one gap-3.5 print:contents">
          <Strip view={view} draft={draft} onDraft={onDraft} name={name} />
          {view.stair && <Stair stair={view.stair} beside={besideStair} name={name} />}
          <Modes view={view} />
          {view.battery && <RunDown battery={view.battery} />}
          <Kinds view={view} />
        </div>
        <div className="grid grid-cols-one gap-3.5 max-roomy:order-first print:contents">
          <section
            aria-label={say('supply.verdict')}
            className={`sheet border-l-4 px-4 py-3.5 print:-order-1 ${good ? 'border-l-act' : 'border-l-limit'}`}
          >
            <h2 className="text-14 text-soft">{say('supply.verdict')}</h2>
            <p className={`head text-27 leading-tight ${good ? '' : 'text-limit'}`}>{view.verdict.title}</p>
            <p className="mt-1 text-soft">{view.verdict.reason}</p>
            <Findings findings={view.findings.slice(1)} />
          </section>
          {beside}
          <WhatIf draft={draft} areasM2={view.areasM2} onDraft={onDraft} refusal={refusal} keeping={keeping} />
          <Schools view={view} />
          <Sheet title={say('supply.leadAndVoltage')}>
            <Facts facts={view.lead} />
          </Sheet>
          <FoldedSheet title={say('supply.atTheMains')}>
            <Facts facts={view.mains} />
            {view.amplifiers.length > 0 && (
              <>
                <h3 className="mt-3 mb-1 text-13 text-soft">{say('supply.largeAmplifiersLicensedWork')}</h3>
                <Facts facts={view.amplifiers} />
              </>
            )}
          </FoldedSheet>
          <ul className="grid gap-1 px-1 text-13 text-soft" aria-label={say('supply.cautions')}>
            {view.cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </div>
      </div>
    </div>
  );
}
