import { Switch as Primitive } from 'radix-ui';
import { useId } from 'react';
import { Label } from './Field';

interface Props {
  label: string;
  on: boolean;
  onSwitch: (on: boolean) => void;
}

/** On or off, at once. */
export function Switch({ label, on, onSwitch }: Props) {
  const id = useId();
  return (
    <span className="flex min-h-7 items-center gap-1.5">
      <Primitive.Root
        id={id}
        checked={on}
        onCheckedChange={onSwitch}
        className="flex h-3.5 w-6.5 cursor-pointer items-center border border-soft bg-sheet data-[state=checked]:border-act"
      >
        <Primitive.Thumb className="block h-full w-2.5 bg-soft data-[state=checked]:ml-auto data-[state=checked]:bg-act" />
      </Primitive.Root>
      <Label htmlFor={id} className="cursor-pointer">
        {label}
      </Label>
    </span>
  );
}
