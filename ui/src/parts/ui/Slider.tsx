import { Slider as Primitive } from 'radix-ui';

interface Thumb {
  key: string;
  value: number;
  label: string;
  /** What is spoken for the value. */
  says: string;
}

interface Props {
  thumbs: Thumb[];
  least: number;
  most: number;
  step: number;
  onChange: (values: number[]) => void;
  /** Told when one of them is taken hold of, and let go. */
  onHeld: (on: boolean) => void;
  /** Where it lies over the drawing, in px. */
  at: { left: number; top: number; width: number; height: number };
}

/** Values on an upright scale; the drawing below shows them, here they are taken hold of. */
export function UprightSlider({ thumbs, least, most, step, onChange, onHeld, at }: Props) {
  return (
    <Primitive.Root
      orientation="vertical"
      min={least}
      max={most}
      step={step}
      value={thumbs.map((one) => one.value)}
      onValueChange={onChange}
      className="pointer-events-none absolute touch-none select-none"
      onFocus={() => onHeld(true)}
      onBlur={() => onHeld(false)}
      style={at}
    >
      <Primitive.Track className="absolute inset-0" />
      {thumbs.map((one) => (
        <Primitive.Thumb
          key={one.key}
          aria-label={one.label}
          aria-valuetext={one.says}
          className="pointer-events-auto block h-4 w-full cursor-ns-resize rounded-3"
        />
      ))}
    </Primitive.Root>
  );
}

interface AcrossProps {
  label: string;
  /** What is spoken for the value. */
  says: string;
  value: number;
  most: number;
  onChange: (value: number) => void;
}

/** One place on a line from 0 to the most. */
export function AcrossSlider({ label, says, value, most, onChange }: AcrossProps) {
  return (
    <Primitive.Root
      min={0}
      max={most}
      step={1}
      value={[value]}
      onValueChange={([to]) => to !== undefined && onChange(to)}
      className="relative flex h-6 grow touch-none items-center select-none"
    >
      <Primitive.Track className="relative h-0.5 grow bg-rule">
        <Primitive.Range className="absolute h-full bg-soft" />
      </Primitive.Track>
      <Primitive.Thumb
        aria-label={label}
        aria-valuetext={says}
        className="block size-5 cursor-ew-resize rounded-3 border-2 border-act bg-sheet"
      />
    </Primitive.Root>
  );
}
