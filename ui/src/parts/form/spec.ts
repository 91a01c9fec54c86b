import type { FieldValues } from 'react-hook-form';

/** What a form holds of a record: its numbers as texts in the units shown. */
export type Form = FieldValues;

/** One field of a form; its path is relative to what holds it. */
export type Spec =
  | {
      type: 'text';
      path: string;
      label: string;
      optional?: boolean;
      /** Characters that it may have; 80 where it is absent. */
      most?: number;
    }
  | { type: 'number'; path: string; label: string; unit: string; inUnit?: number; optional?: boolean; hint?: string }
  | {
      type: 'choice';
      path: string;
      label: string;
      options: Option[];
      /** What may be chosen beside what else stands in the record; all options where it is absent. */
      among?: (beside: Form) => Option[];
      /** What else changes with a choice. */
      sets?: (code: string) => Form;
    }
  | { type: 'many'; path: string; label: string; options: Option[] }
  | { type: 'group'; path: string; label: string; fields: Spec[]; optional?: Form }
  | {
      type: 'variant';
      path: string;
      label: string;
      kinds: Kind[];
    }
  | {
      type: 'list';
      path: string;
      label: string;
      item: string;
      fields: Spec[];
      fresh: Form;
      optional?: boolean;
      /** Each item on a line of a table: only texts, numbers and choices. */
      inline?: boolean;
      /** Two items side by side where there is room. */
      beside?: boolean;
    };

/** One of the forms that a part of a record may have, by its `kind`. */
export interface Kind {
  kind: string;
  label: string;
  fields: Spec[];
  fresh: Form;
}

export type Option = readonly [code: string, label: string];

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
