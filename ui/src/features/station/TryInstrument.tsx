import { useMutation } from '@tanstack/react-query';
import { useFormContext } from 'react-hook-form';
import { ask, client, type Equipment, Refusal, type Trial } from '../../api';
import { type Spec, schemaOf } from '../../parts/form';
import { Button } from '../../parts/ui';
import { showNumber } from '../../quantity';
import { say } from '../../words';

/** Asks an instrument each of its queries once, as the form has it, and says what came. */
export function TryInstrument({ fields }: { fields: Spec[] }) {
  const { getValues } = useFormContext();
  const attempt = useMutation({
    mutationFn: () => {
      const read = schemaOf(fields).safeParse(getValues());
      if (!read.success) {
        throw new Refusal(422, say('station.fillInTheFieldsFirst'), say('station.thenTryAgain'), []);
      }
      return ask(client.POST('/api/instruments/try', { body: read.data as Equipment }));
    },
  });
  const refusal = attempt.error instanceof Refusal ? attempt.error : undefined;
  const problem = refusal?.problems[0];
  return (
    <>
      <Button disabled={attempt.isPending} onClick={() => attempt.mutate()}>
        {say('station.tryIt')}
      </Button>
      <span role="status">
        {attempt.data?.map((trial, index) => (
          // The same may be asked for two meters.
          // biome-ignore lint/suspicious/noArrayIndexKey: the answers stand as the queries do
          <span key={index} className="block">
            <span className="figure text-13 text-soft">{trial.query}</span> <Came trial={trial} />
          </span>
        ))}
        {refusal && (
          <span className="text-watch">
            {problem ? `${problem.message} ${problem.remedy}` : `${refusal.title}. ${refusal.detail}`}
          </span>
        )}
      </span>
    </>
  );
}

function Came({ trial }: { trial: Trial }) {
  const is = say('station.itIs', { says: trial.says, answer: trial.answer && `: “${trial.answer}”` });
  return trial.value == null ? (
    <span className="text-watch">{is}</span>
  ) : (
    <>
      {say('station.itAnswers')} <span className="figure">{showNumber(trial.value)}</span>
      {trial.health !== 'OK' && <span className="ml-2 text-watch">{is}</span>}
    </>
  );
}
