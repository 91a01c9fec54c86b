import { ToggleGroup as Primitive } from 'radix-ui';
import { cn } from './cn';
import type { Option } from './Select';

interface Props {
  label: string;
  /** Absent while none is chosen. */
  value: string | undefined;
  onPick: (code: string) => void;
  options: readonly Option[];
  /** For a thumb. */
  large?: boolean;
  className?: string;
}

/** A few words side by side, of which one holds or none yet. */
export function ToggleGroup({ label, value, onPick, options, large, className }: Props) {
  return (
    <Primitive.Root
      type="single"
      aria-label={label}
      className={cn('flex flex-wrap gap-2', className)}
      value={value ?? ''}
      onValueChange={(code) => code !== '' && onPick(code)}
    >
      {options.map(([code, words]) => (
        <Primitive.Item
          key={code}
          value={code}
          // After a click the keys belong to the page again: Enter follows the next move.
          onClick={(event) => event.detail > 0 && event.currentTarget.blur()}
          className={cn(
            'min-h-8 cursor-pointer rounded-3 border border-rule px-3 hover:bg-wash data-[state=on]:border-act data-[state=on]:bg-wash data-[state=on]:font-semibold',
            large && 'min-h-11 min-w-22',
          )}
        >
          {words}
        </Primitive.Item>
      ))}
    </Primitive.Root>
  );
}
