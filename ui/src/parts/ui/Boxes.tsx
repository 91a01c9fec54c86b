import { Checkbox as Many, RadioGroup as One } from 'radix-ui';
import type { ReactNode } from 'react';
import { Tick } from './Checkbox';
import { inside, outside } from './codes';

export interface Box {
  code: string;
  name: string;
  detail?: string;
  disabled?: boolean;
  /** The key that chooses it, in the place of its mark. */
  hotkey?: string;
}

const LOOK =
  'group flex min-h-8.5 cursor-pointer items-center gap-2 rounded-3 border border-rule px-2.5 py-1 text-left hover:bg-wash data-[state=checked]:border-act data-[state=checked]:bg-wash disabled:cursor-not-allowed disabled:text-soft disabled:hover:bg-transparent';

interface Props {
  label: string;
  options: Box[];
  chosen: string[];
  onPick: (code: string) => void;
  /** Beside the boxes. */
  children?: ReactNode;
}

/** Options side by side, of which one is chosen. */
export function OneOf({ label, options, chosen, onPick, children }: Props) {
  return (
    <One.Root
      aria-label={label}
      className="flex flex-wrap gap-x-2 gap-y-2"
      value={inside(chosen[0] ?? '')}
      onValueChange={(code) => onPick(outside(code))}
    >
      {options.map((option) => (
        <One.Item key={option.code} value={inside(option.code)} disabled={option.disabled} className={LOOK}>
          {!option.hotkey && (
            <span className="inline-flex size-3.5 shrink-0 items-center justify-center rounded-full border border-soft bg-sheet group-data-[state=checked]:border-act">
              <One.Indicator className="size-2 rounded-full bg-act" />
            </span>
          )}
          <Words option={option} />
        </One.Item>
      ))}
      {children}
    </One.Root>
  );
}

/** Options side by side, of which any number is chosen. */
export function SomeOf({ label, options, chosen, onPick, children }: Props) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: its legend would stand where the label of the line already stands
    <div role="group" aria-label={label} className="flex flex-wrap gap-x-2 gap-y-2">
      {options.map((option) => (
        <Many.Root
          key={option.code}
          checked={chosen.includes(option.code)}
          onCheckedChange={() => onPick(option.code)}
          disabled={option.disabled}
          className={LOOK}
        >
          <span className="inline-flex size-3.5 shrink-0 items-center justify-center border border-soft bg-sheet group-data-[state=checked]:border-act">
            <Many.Indicator>
              <Tick />
            </Many.Indicator>
          </span>
          <Words option={option} />
        </Many.Root>
      ))}
      {children}
    </div>
  );
}

function Words({ option }: { option: Box }) {
  return (
    <span>
      {option.hotkey && (
        <span aria-hidden="true" className="figure mr-1.5 text-12 text-soft">
          {option.hotkey}
        </span>
      )}
      <span className="head">{option.name}</span>{' '}
      {option.detail && <span className="ml-1 text-13 text-soft">{option.detail}</span>}
    </span>
  );
}
