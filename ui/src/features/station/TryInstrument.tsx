import { useMutation } from '@tanstack/react-query';
import { useFormContext } from 'react-hook-form';
import { ask, client, type Equipment, Refusal } from '../../api';
import { type Spec, schemaOf } from '../../parts/form';
import { Button } from '../../parts/ui';
import { showNumber } from '../../quantity';
import { say } from '../../words';

/** Asks an instrument once, as the form has it, and says what came. */
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
  const trial = attempt.data;
  const refusal = attempt.error instanceof Refusal ? attempt.error : undefined;
  const problem = refusal?.problems[0];
  return (
    <>
      <Button disabled={attempt.isPending} onClick={() => attempt.mutate()}>
        {say('station.tryIt')}
      </Button>
      <span role="status">
        {trial && trial.health === 'OK' && (
          <>
            {say('station.itAnswers')}{' '}
            <span className="figure">{trial.value == null ? '' : showNumber(trial.value)}</span>
          </>
        )}
        {trial && trial.health !== 'OK' && (
          <span className="text-watch">
            {say('station.itIs', { says: trial.says, answer: trial.answer && `: “${trial.answer}”` })}
          </span>
        )}
        {refusal && (
          <span className="text-watch">
            {problem ? `${problem.message} ${problem.remedy}` : `${refusal.title}. ${refusal.detail}`}
          </span>
        )}
      </span>
    </>
  );
}
