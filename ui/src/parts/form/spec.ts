/** One field of a form; its path is relative to what holds it. */
export type Spec =
  | { type: 'text'; path: string; label: string }
  | { type: 'number'; path: string; label: string; unit: string; inUnit?: number; optional?: boolean; hint?: string }
  | {
      type: 'choice';
      path: string;
      label: string;
      options: Option[];
      /** What may be chosen beside what else stands in the record; all options where it is absent. */
      among?: (beside: Body) => Option[];
      /** What else changes with a choice. */
      sets?: (code: string) => Body;
    }
  | { type: 'many'; path: string; label: string; options: Option[] }
  | { type: 'group'; path: string; label: string; fields: Spec[]; optional?: Body }
  | {
      type: 'variant';
      path: string;
      label: string;
      kinds: { kind: string; label: string; fields: Spec[]; fresh: Body }[];
    }
  | {
      type: 'list';
      path: string;
      label: string;
      item: string;
      fields: Spec[];
      fresh: Body;
      optional?: boolean;
      /** Each item on a line of a table: only numbers. */
      inline?: boolean;
    };

export type Option = readonly [code: string, label: string];

// biome-ignore lint/suspicious/noExplicitAny: a record of equipment in the open form of the backup's schema
export type Body = Record<string, any>;

/** Returns the field of a number. */
export const number = (
  path: string,
  label: string,
  unit: string,
  more: { inUnit?: number; optional?: boolean; hint?: string } = {},
): Spec => ({
  type: 'number',
  path,
  label,
  unit,
  ...more,
});
