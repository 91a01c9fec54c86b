import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ask, type Choices, client, type RunSummary } from '../../api';
import { Answer, FirstThing, Sheet, Trouble, useChoices, useKeys, useNow } from '../../parts';
import { Button } from '../../parts/ui';
import { ago } from '../../quantity';
import { say } from '../../words';
import { Ahead } from './Ahead';
import { BandSheet, WaySheet } from './ChoiceForm';
import { ChoiceLine } from './ChoiceLine';
import { LastRow } from './LastRow';
import { climbing, fromAddress, remember, useChoice } from './useChoice';

export function StartPage() {
  const choices = useChoices();
  useEffect(() => {
    document.title = say('start.tuneTubrin');
  }, []);
  return (
    <Answer query={choices} what={say('shared.theStation')}>
      {(data) => {
        const missing = whatIsMissing(data);
        const nothing = data.amplifiers.length + data.exciters.length + data.meters.length === 0;
        return missing.length > 0 ? <FirstThings missing={missing} nothing={nothing} /> : <Start choices={data} />;
      }}
    </Answer>
  );
}

function whatIsMissing(choices: Choices): string[] {
  const missing: string[] = [];
  if (!choices.stationDescribed) missing.push(say('start.theStationWithItsLicence'));
  if (climbing(choices).length === 0) missing.push(say('start.anAmplifier'));
  if (choices.exciters.length === 0) missing.push(say('start.theExciterThatDrivesIt'));
  if (choices.terminations.length === 0) missing.push(say('start.aDummyLoad'));
  const reads = choices.meters.flatMap((meter) => meter.reads);
  if (!reads.includes('OUTPUT')) missing.push(say('start.aMeterThatReadsOutput'));
  return missing;
}

function FirstThings({ missing, nothing }: { missing: string[]; nothing: boolean }) {
  return (
    <FirstThing
      title={say('shared.describeTheStationFirst')}
      to={nothing ? ['/station/first', say('shared.tellItByQuestions')] : ['/station', say('shared.goToStation')]}
    >
      {say('start.aClimbNeedsToKnow')}
      <ul className="my-2 list-disc pl-5 text-ink">
        {missing.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    </FirstThing>
  );
}

function Start({ choices }: { choices: Choices }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [asked] = useSearchParams();
  const [choice, change] = useChoice(choices, fromAddress(asked));
  // One id per visit: a start that is sent twice begins one run.
  const runId = useRef(crypto.randomUUID());
  const start = useMutation({
    mutationFn: () => ask(client.POST('/api/runs', { body: { ...choice, runId: runId.current } })),
    onSuccess: (view) => {
      remember(choice);
      queries.setQueryData(['run', view.id], view);
      void queries.invalidateQueries({ queryKey: ['choices'] });
      navigate(`/tune/${view.id}`);
    },
  });
  useKeys({ Enter: () => !start.isPending && start.mutate() });
  const amplifier = choices.amplifiers.find((one) => one.id === choice.amplifierId);
  const bandName = choices.bands.find((one) => one.band === choice.band)?.name;
  const termination = choices.terminations.find((one) => one.id === choice.terminationId);
  const school = choices.schools.find((one) => one.code === choice.school);
  const tuned = amplifier?.tuned ?? true;
  return (
    <>
      <div className="pt-1 pb-2">
        <ChoiceLine choices={choices} choice={choice} change={change} />
      </div>
      <div className="mx-5 mb-5 grid items-start gap-3.5 wide:grid-cols-main-side">
        <div className="grid grid-cols-one gap-3.5">
          <BandSheet choices={choices} choice={choice} change={change} />
          <Ahead choice={choice} tuned={tuned} />
          <WaySheet choices={choices} choice={choice} change={change} />
        </div>
        <div className="grid gap-3.5 max-wide:order-first">
          {choices.inProgress && <GoOn run={choices.inProgress} />}
          <Sheet title={say('shared.nextMove')} accent>
            <p className="head text-27 leading-head">
              {tuned
                ? say('start.climbWith', {
                    bandName,
                    amplifier: amplifier?.name,
                    use: choice.use,
                  })
                : say('start.driveTableOfOn', { amplifier: amplifier?.name, bandName })}
            </p>
            <p className="mt-2 text-soft">
              {tuned
                ? say('start.intoByTheSchoolFirst', { termination: termination?.name, school: school?.name })
                : say('start.intoFirstThePathIn', { termination: termination?.name })}
            </p>
            <div className="mt-3">
              <Button kind="main" hotkey="Enter" disabled={start.isPending} onClick={() => start.mutate()}>
                {tuned ? say('start.startTheClimb') : say('start.startTheTable')}
              </Button>
            </div>
            {start.error && (
              <div className="mt-3">
                <Trouble error={start.error} />
              </div>
            )}
          </Sheet>
          {tuned && (
            <LastRow amplifier={amplifier?.name} band={choice.band} termination={termination?.name} use={choice.use} />
          )}
        </div>
      </div>
    </>
  );
}

const WHAT: Partial<Record<RunSummary['school'], string>> = {
  DRIVE_TABLE: say('start.driveTable'),
  ALC: say('start.levelPast'),
  BIAS: say('start.idleCurrent'),
  MATCHER: say('start.matcher'),
  CHAIN: say('start.wayUp'),
  WAVEFORM: say('start.waveform'),
  SUPPLY_TABLE: say('start.bySupplyVolts'),
  RESONANCE: say('start.resonance'),
};

function GoOn({ run }: { run: RunSummary }) {
  const navigate = useNavigate();
  const now = useNow(30_000);
  const go = () => navigate(`/tune/${run.id}`);
  useKeys({ r: go });
  return (
    <Sheet title={say('start.inProgress')}>
      <p className="head text-18">
        {run.bandName} {WHAT[run.school] ?? say('start.climb')} {run.amplifier}
      </p>
      <p className="mb-2 text-soft">
        {say('start.doneLastTouchedNothingOf', {
          steps: run.steps,
          when: ago(run.lastAt, now),
        })}
      </p>
      <Button hotkey="R" onClick={go}>
        {say('start.goOnWithIt')}
      </Button>
    </Sheet>
  );
}
