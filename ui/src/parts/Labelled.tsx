import type { ReactNode } from 'react';

/** A control under its small label. */
export function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is its child
    <label className="grid gap-0.5 text-13 text-soft">
      {label}
      <span className="text-14 text-ink">{children}</span>
    </label>
  );
}

interface PickProps {
  label: string;
  value: string;
  onPick: (code: string) => void;
  options: readonly (readonly [code: string, name: string])[];
}

/** One of several. */
export function Pick({ label, value, onPick, options }: PickProps) {
  return (
    <Labelled label={label}>
      <select className="field" value={value} onChange={(event) => onPick(event.target.value)}>
        {options.map(([code, name]) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

interface TextProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
  width: string;
  invalid?: boolean;
}

/** A line of text or a number. */
export function TextField({ label, value, onChange, width, invalid }: TextProps) {
  return (
    <Labelled label={label}>
      <input
        className={`field ${width}`}
        maxLength={80}
        aria-invalid={invalid ?? false}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Labelled>
  );
}
