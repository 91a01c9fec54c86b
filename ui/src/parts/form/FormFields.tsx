import { useId } from 'react';
import type { FieldProblem } from '../../api';
import { Button, Cell, Check, Head, Input, Label, Select, Table } from '../ui';
import { fieldsOf, toForm } from './convert';
import type { Body, Spec } from './spec';

interface Props {
  fields: Spec[];
  form: Body;
  at?: string;
  problems: FieldProblem[];
  onChange: (form: Body) => void;
}

/** The fields of a record, each with what was refused of it. */
export function FormFields({ fields, form, at = '', problems, onChange }: Props) {
  return (
    <div className="grid gap-2.5">
      {fields.map((spec) => (
        <Field
          key={spec.path}
          spec={spec}
          value={form[spec.path]}
          path={at + spec.path}
          problems={problems}
          beside={form}
          onChange={(value) => onChange({ ...form, [spec.path]: value, ...setBy(spec, value) })}
        />
      ))}
    </div>
  );
}

/** What else a choice changes in the record. */
const setBy = (spec: Spec, value: unknown): Body =>
  spec.type === 'choice' && spec.sets ? spec.sets(String(value)) : {};

interface FieldProps<S extends Spec = Spec> {
  spec: S;
  // biome-ignore lint/suspicious/noExplicitAny: texts, lists and records, as the specification says
  value: any;
  path: string;
  /** The record that it is a field of. */
  beside: Body;
  problems: FieldProblem[];
  // biome-ignore lint/suspicious/noExplicitAny: as above
  onChange: (value: any) => void;
}

type Of<T extends Spec['type']> = Extract<Spec, { type: T }>;

function Field(props: FieldProps) {
  const { spec } = props;
  if (spec.type === 'text' || spec.type === 'number' || spec.type === 'choice') return <Plain {...props} spec={spec} />;
  if (spec.type === 'many') return <Many {...props} spec={spec} />;
  if (spec.type === 'group') return <Group {...props} spec={spec} />;
  if (spec.type === 'variant') return <Variant {...props} spec={spec} />;
  return <List {...props} spec={spec} />;
}

function Plain({
  spec,
  value,
  path,
  beside,
  problems,
  onChange,
}: FieldProps<Of<'text'> | Of<'number'> | Of<'choice'>>) {
  const id = useId();
  const problem = problems.find((one) => one.field === path);
  const common = {
    id,
    'data-field': path,
    'aria-invalid': problem !== undefined,
    'aria-describedby': problem ? `${id}-problem` : undefined,
  };
  return (
    <div className="grid phone:grid-cols-label items-baseline gap-x-3">
      <Label htmlFor={id}>{spec.label}</Label>
      <div>
        {spec.type === 'choice' ? (
          <Select {...common} value={value ?? ''} onPick={onChange} options={spec.among?.(beside) ?? spec.options} />
        ) : (
          <>
            <Input
              {...common}
              number={spec.type === 'number'}
              className={spec.type === 'number' ? 'w-27.5' : 'w-65 max-w-full'}
              value={value ?? ''}
              onChange={(event) => onChange(event.target.value)}
            />
            {spec.type === 'number' && (
              <span className="ml-2 text-soft">
                {spec.unit}
                {spec.hint && <span className="ml-2 text-13">{spec.hint}</span>}
              </span>
            )}
          </>
        )}
        {problem && (
          <p id={`${id}-problem`} className="mt-0.5 text-13 text-limit">
            {problem.message} {problem.remedy}
          </p>
        )}
      </div>
    </div>
  );
}

function Many({ spec, value, onChange }: FieldProps<Of<'many'>>) {
  const chosen = (value ?? []) as string[];
  return (
    <fieldset className="grid phone:grid-cols-label gap-x-3">
      <legend className="sr-only">{spec.label}</legend>
      <span aria-hidden="true" className="text-soft">
        {spec.label}
      </span>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {spec.options.map(([code, label]) => (
          <Check
            key={code}
            checked={chosen.includes(code)}
            onCheck={(on) =>
              // In the order of the options, whatever the order of clicks.
              onChange(spec.options.map(([one]) => one).filter((one) => (one === code ? on : chosen.includes(one))))
            }
          >
            {label}
          </Check>
        ))}
      </div>
    </fieldset>
  );
}

function Box({ label, tools, children }: { label: string; tools?: React.ReactNode; children?: React.ReactNode }) {
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

function Group({ spec, value, path, problems, onChange }: FieldProps<Of<'group'>>) {
  const tools =
    spec.optional &&
    (value ? (
      <Button kind="quiet" onClick={() => onChange(undefined)}>
        Unknown
      </Button>
    ) : (
      <Button onClick={() => onChange(toForm(spec.fields, spec.optional as Body))}>Describe</Button>
    ));
  return (
    <Box label={spec.label} tools={tools}>
      {value && (
        <FormFields fields={spec.fields} form={value} at={`${path}.`} problems={problems} onChange={onChange} />
      )}
    </Box>
  );
}

function Variant({ spec, value, path, problems, onChange }: FieldProps<Of<'variant'>>) {
  const tools = (
    <Select
      aria-label={spec.label}
      value={value.kind}
      onPick={(code) => {
        const kind = spec.kinds.find((one) => one.kind === code);
        if (kind) onChange(toForm(kind.fields, kind.fresh));
      }}
      options={spec.kinds.map((kind) => [kind.kind, kind.label] as const)}
    />
  );
  return (
    <Box label={spec.label} tools={tools}>
      <FormFields
        fields={fieldsOf(spec, value.kind)}
        form={value}
        at={`${path}.`}
        problems={problems}
        onChange={onChange}
      />
    </Box>
  );
}

function List({ spec, value, path, beside, problems, onChange }: FieldProps<Of<'list'>>) {
  const items = value as Body[];
  const own = problems.find((one) => one.field === path);
  return (
    <Box
      label={spec.label}
      tools={<Button onClick={() => onChange([...items, toForm(spec.fields, spec.fresh)])}>Add a {spec.item}</Button>}
    >
      {own && (
        <p className="mb-1 text-13 text-limit">
          {own.message} {own.remedy}
        </p>
      )}
      {spec.inline ? (
        <Lines spec={spec} value={items} path={path} beside={beside} problems={problems} onChange={onChange} />
      ) : (
        <div className="grid gap-3">
          {items.map((item, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the items have no other identity
            <div key={index} className="border-t border-hair pt-2">
              <FormFields
                fields={spec.fields}
                form={item}
                at={`${path}.${index}.`}
                problems={problems}
                onChange={(changed) => onChange(items.map((one, at) => (at === index ? changed : one)))}
              />
              <Button kind="quiet" onClick={() => onChange(items.filter((_, at) => at !== index))}>
                Take this {spec.item} away
              </Button>
            </div>
          ))}
        </div>
      )}
    </Box>
  );
}

/** Items of numbers only, each on a line. */
function Lines({ spec, value, path, problems, onChange }: FieldProps<Of<'list'>>) {
  const items = value as Body[];
  const numbers = spec.fields.filter((one) => one.type === 'number');
  return (
    <Table caption={spec.label} quiet className="w-auto">
      <thead>
        <tr>
          {numbers.map((field) => (
            <Head key={field.path}>
              {field.label}, {field.unit}
            </Head>
          ))}
          <td />
        </tr>
      </thead>
      <tbody>
        {items.map((item, index) => {
          const refused = problems.filter((one) => one.field.startsWith(`${path}.${index}.`));
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the items have no other identity
            <tr key={index}>
              {numbers.map((field) => (
                <Cell key={field.path} className="py-1">
                  <Input
                    aria-label={`${field.label}, ${field.unit}, ${spec.item} ${index + 1}`}
                    data-field={`${path}.${index}.${field.path}`}
                    aria-invalid={refused.some((one) => one.field === `${path}.${index}.${field.path}`)}
                    number
                    className="w-23"
                    value={item[field.path] ?? ''}
                    onChange={(event) =>
                      onChange(
                        items.map((one, at) => (at === index ? { ...one, [field.path]: event.target.value } : one)),
                      )
                    }
                  />
                </Cell>
              ))}
              <Cell className="py-1 pr-0 text-13">
                <Button kind="link" onClick={() => onChange(items.filter((_, at) => at !== index))}>
                  Take away
                </Button>
                {refused.map((one) => (
                  <p key={one.field + one.code} className="text-limit">
                    {one.message} {one.remedy}
                  </p>
                ))}
              </Cell>
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
}
