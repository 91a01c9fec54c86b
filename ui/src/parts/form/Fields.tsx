import { type ReactNode, useId } from 'react';
import {
  Controller,
  type FieldError,
  get,
  useFieldArray,
  useFormContext,
  useFormState,
  useWatch,
} from 'react-hook-form';
import { say } from '../../words';
import { Button, Cell, Check, cn, Head, Input, Label, Select, Table } from '../ui';
import { fieldsOf, toForm } from './convert';
import type { Form, Spec } from './spec';

interface Props {
  fields: Spec[];
  /** The path of what holds them, with a dot at its end; empty for the record itself. */
  at?: string;
  /** Whether they have half of the sheet: then nothing stands side by side. */
  narrow?: boolean;
}

/** Fields that stand under each other, or one part of a record. */
interface Together {
  specs: Spec[];
  /** Whether it needs the whole width. */
  whole: boolean;
}

/** Returns short fields together as long as nothing else comes between. */
function grouped(fields: Spec[]): Together[] {
  const groups: Together[] = [];
  for (const spec of fields) {
    const last = groups.at(-1);
    if (isShort(spec) && last?.specs.every(isShort)) last.specs.push(spec);
    else {
      const half = isShort(spec) || spec.type === 'group' || (spec.type === 'list' && spec.inline === true);
      groups.push({ specs: [spec], whole: !half });
    }
  }
  return groups;
}

/** The fields of a record in groups side by side, each field with what was refused of it; the form stands round them. */
export function Fields({ fields, at = '', narrow = false }: Props) {
  const groups = grouped(fields);
  const beside = !narrow && groups.filter((one) => !one.whole).length > 1;
  return (
    <div className={cn('grid gap-2.5', beside && 'items-start wide:grid-cols-2 wide:gap-x-8')}>
      {groups.map((group) => (
        <div
          key={group.specs[0]?.path}
          className={cn('grid min-w-0 gap-2.5', beside && group.whole && 'wide:col-span-full')}
        >
          {group.specs.map((spec) => (
            <Field
              key={spec.path}
              spec={spec}
              path={at + spec.path}
              at={at}
              narrow={narrow || (beside && !group.whole)}
            />
          ))}
        </div>
      ))}
    </div>
  );
}

interface FieldProps<S extends Spec = Spec> {
  spec: S;
  path: string;
  at: string;
  narrow?: boolean;
}

type Of<T extends Spec['type']> = Extract<Spec, { type: T }>;

function Field({ spec, path, at, narrow = false }: FieldProps) {
  switch (spec.type) {
    case 'text':
    case 'number':
      return <Typed spec={spec} path={path} at={at} />;
    case 'choice':
      return <Choice spec={spec} path={path} at={at} />;
    case 'many':
      return <Many spec={spec} path={path} at={at} />;
    case 'group':
      return <Group spec={spec} path={path} at={at} narrow={narrow} />;
    case 'variant':
      return <Variant spec={spec} path={path} at={at} narrow={narrow} />;
    case 'list':
      return <List spec={spec} path={path} at={at} narrow={narrow} />;
  }
}

/** Returns what was refused of a field, in words. */
function useRefused(path: string): string | undefined {
  const { errors } = useFormState({ name: path });
  return (get(errors, path) as FieldError | undefined)?.message;
}

interface LineProps {
  label: string;
  path: string;
  children: (common: {
    id: string;
    'data-field': string;
    'aria-invalid': boolean;
    'aria-describedby'?: string;
  }) => ReactNode;
}

/** A label, its control, and what was refused of it. */
function Line({ label, path, children }: LineProps) {
  const id = useId();
  const refused = useRefused(path);
  return (
    <div className="grid items-baseline gap-x-3 phone:grid-cols-label">
      <Label htmlFor={id}>{label}</Label>
      <div className="min-w-0">
        {children({
          id,
          'data-field': path,
          'aria-invalid': refused !== undefined,
          ...(refused ? { 'aria-describedby': `${id}-problem` } : {}),
        })}
        {refused && (
          <p id={`${id}-problem`} className="mt-0.5 text-13 text-limit">
            {refused}
          </p>
        )}
      </div>
    </div>
  );
}

function Typed({ spec, path }: FieldProps<Of<'text'> | Of<'number'>>) {
  const { register } = useFormContext();
  return (
    <Line label={spec.label} path={path}>
      {(common) => (
        <>
          <Input
            {...common}
            {...register(path)}
            {...(spec.type === 'text' && spec.most ? { maxLength: spec.most } : {})}
            number={spec.type === 'number'}
            className={spec.type === 'number' ? 'w-27.5' : 'w-65 max-w-full'}
          />
          {spec.type === 'number' && (
            <span className="ml-2 text-soft">
              {spec.unit}
              {spec.hint && <span className="ml-2 text-13">{spec.hint}</span>}
            </span>
          )}
        </>
      )}
    </Line>
  );
}

function Choice({ spec, path, at }: FieldProps<Of<'choice'>>) {
  return (
    <Line label={spec.label} path={path}>
      {(common) => <Chosen spec={spec} path={path} at={at} common={common} />}
    </Line>
  );
}

/** A choice alone, without its label. */
function Chosen({ spec, path, at, common }: FieldProps<Of<'choice'>> & { common: object }) {
  const { setValue, getValues } = useFormContext();
  // What may be chosen can depend on a choice beside it.
  useWatch({ name: at.slice(0, -1), disabled: spec.among === undefined });
  const beside = () => (at === '' ? getValues() : getValues(at.slice(0, -1))) as Form;
  return (
    <Controller
      name={path}
      render={({ field }) => (
        <Select
          {...common}
          ref={field.ref}
          value={field.value ?? ''}
          onPick={(code) => {
            field.onChange(code);
            for (const [other, value] of Object.entries(spec.sets?.(code) ?? {})) setValue(at + other, value);
          }}
          options={spec.among?.(beside()) ?? spec.options}
        />
      )}
    />
  );
}

function Many({ spec, path }: FieldProps<Of<'many'>>) {
  const refused = useRefused(path);
  return (
    <fieldset className="grid gap-x-3 phone:grid-cols-label">
      <legend className="sr-only">{spec.label}</legend>
      <span aria-hidden="true" className="text-soft">
        {spec.label}
      </span>
      <Controller
        name={path}
        render={({ field }) => {
          const chosen = (field.value ?? []) as string[];
          return (
            <div className="flex flex-wrap gap-x-4 gap-y-1">
              {spec.options.map(([code, label]) => (
                <Check
                  key={code}
                  checked={chosen.includes(code)}
                  onCheck={(on) =>
                    // In the order of the options, whatever the order of clicks.
                    field.onChange(
                      spec.options.map(([one]) => one).filter((one) => (one === code ? on : chosen.includes(one))),
                    )
                  }
                >
                  {label}
                </Check>
              ))}
            </div>
          );
        }}
      />
      {refused && <p className="mt-0.5 text-13 text-limit phone:col-start-2">{refused}</p>}
    </fieldset>
  );
}

function Box({ label, tools, children }: { label: string; tools?: ReactNode; children?: ReactNode }) {
  return (
    <fieldset className="border-l-2 border-rule pl-4">
      <legend className="sr-only">{label}</legend>
      <div className="mb-1.5 flex items-center gap-3">
        <p aria-hidden="true" className="head">
          {label}
        </p>
        {tools}
      </div>
      {children}
    </fieldset>
  );
}

function Group({ spec, path, narrow = false }: FieldProps<Of<'group'>>) {
  const { setValue } = useFormContext();
  const known = Boolean(useWatch({ name: path }));
  const dirty = { shouldDirty: true } as const;
  const tools =
    spec.optional &&
    (known ? (
      <Button kind="quiet" onClick={() => setValue(path, undefined, dirty)}>
        {say('shared.unknown')}
      </Button>
    ) : (
      <Button onClick={() => setValue(path, toForm(spec.fields, spec.optional ?? {}), dirty)}>
        {say('parts.describe')}
      </Button>
    ));
  return (
    <Box label={spec.label} tools={tools}>
      {known && <Fields fields={spec.fields} at={`${path}.`} narrow={narrow} />}
    </Box>
  );
}

function Variant({ spec, path, narrow = false }: FieldProps<Of<'variant'>>) {
  const { setValue } = useFormContext();
  const kind = useWatch({ name: `${path}.kind` }) as string;
  const tools = (
    <Select
      aria-label={spec.label}
      value={kind}
      onPick={(code) => {
        const chosen = spec.kinds.find((one) => one.kind === code);
        if (chosen) setValue(path, toForm(chosen.fields, chosen.fresh), { shouldDirty: true });
      }}
      options={spec.kinds.map((one) => [one.kind, one.label] as const)}
    />
  );
  return (
    <Box label={spec.label} tools={tools}>
      <Fields key={kind} fields={fieldsOf(spec, kind)} at={`${path}.`} narrow={narrow} />
    </Box>
  );
}

function List({ spec, path, narrow = false }: FieldProps<Of<'list'>>) {
  const items = useFieldArray({ name: path });
  const own = useRefused(path);
  const Items = spec.inline ? Lines : Blocks;
  return (
    <Box
      label={spec.label}
      tools={
        <Button onClick={() => items.append(toForm(spec.fields, spec.fresh), { shouldFocus: false })}>
          {say('parts.addA', { item: spec.item })}
        </Button>
      }
    >
      {own && <p className="mb-1 text-13 text-limit">{own}</p>}
      <Items spec={spec} path={path} narrow={narrow} ids={items.fields.map((one) => one.id)} onRemove={items.remove} />
    </Box>
  );
}

interface ItemsProps {
  spec: Of<'list'>;
  path: string;
  narrow: boolean;
  ids: string[];
  onRemove: (index: number) => void;
}

function Blocks({ spec, path, narrow, ids, onRemove }: ItemsProps) {
  return (
    <div className={cn('grid gap-3', spec.beside && 'wide:grid-cols-2 wide:gap-x-6')}>
      {ids.map((id, index) => (
        <div key={id} className="border-t border-hair pt-2">
          <Fields fields={spec.fields} at={`${path}.${index}.`} narrow={narrow || spec.beside === true} />
          <Button kind="quiet" onClick={() => onRemove(index)}>
            {say('parts.deleteThis', { item: spec.item })}
          </Button>
        </div>
      ))}
    </div>
  );
}

type Short = Of<'text'> | Of<'number'> | Of<'choice'>;

const isShort = (spec: Spec): spec is Short => spec.type === 'text' || spec.type === 'number' || spec.type === 'choice';

const headOf = (field: Short) =>
  field.type === 'number' && field.unit !== '' ? `${field.label}, ${field.unit}` : field.label;

/** Items of short fields only, each on a line. */
function Lines({ spec, path, ids, onRemove }: ItemsProps) {
  const fields = spec.fields.filter(isShort);
  return (
    <Table caption={spec.label} quiet className="w-auto max-phone:block">
      <thead className="max-phone:hidden">
        <tr>
          {fields.map((field) => (
            <Head key={field.path}>{headOf(field)}</Head>
          ))}
          <td />
        </tr>
      </thead>
      <tbody className="max-phone:block">
        {ids.map((id, index) => (
          <ShortLine
            key={id}
            fields={fields}
            path={`${path}.${index}`}
            item={`${spec.item} ${index + 1}`}
            onRemove={() => onRemove(index)}
          />
        ))}
      </tbody>
    </Table>
  );
}

interface ShortLineProps {
  fields: Short[];
  path: string;
  item: string;
  onRemove: () => void;
}

function ShortLine({ fields, path, item, onRemove }: ShortLineProps) {
  const { register } = useFormContext();
  const { errors } = useFormState({ name: path });
  const refused = fields.flatMap(({ path: field }) => {
    const words = (get(errors, `${path}.${field}`) as FieldError | undefined)?.message;
    return words ? [{ field, words }] : [];
  });
  return (
    <tr className="max-phone:mb-3 max-phone:block">
      {fields.map((field) => {
        const whole = `${path}.${field.path}`;
        const common = {
          'aria-label': `${headOf(field)}, ${item}`,
          'data-field': whole,
          'aria-invalid': refused.some((one) => one.field === field.path),
        };
        return (
          <Cell key={field.path} className="py-1 max-phone:block max-phone:border-0">
            {/* On a phone the heads stand over each field. */}
            <span aria-hidden="true" className="block text-13 text-soft phone:hidden">
              {headOf(field)}
            </span>
            {field.type === 'choice' ? (
              <Chosen spec={field} path={whole} at={`${path}.`} common={common} />
            ) : (
              <Input
                {...common}
                {...register(whole)}
                {...(field.type === 'text' && field.most ? { maxLength: field.most } : {})}
                number={field.type === 'number'}
                className={field.type === 'number' ? 'w-23' : 'w-50'}
              />
            )}
          </Cell>
        );
      })}
      <Cell className="py-1 pr-0 text-13 max-phone:block">
        <Button kind="link" aria-label={`${say('shared.delete')}: ${item}`} onClick={onRemove}>
          {say('shared.delete')}
        </Button>
        {refused.map((one) => (
          <p key={one.field} className="text-limit">
            {one.words}
          </p>
        ))}
      </Cell>
    </tr>
  );
}
