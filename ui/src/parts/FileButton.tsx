import { useRef } from 'react';
import { Button } from './ui';

interface Props {
  label: string;
  /** What it is called where several have one label. */
  name?: string;
  accept: string;
  className?: string;
  onFile: (file: File) => void;
}

/** A button that takes a file. */
export function FileButton({ label, name = label, accept, className, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <span className="inline-flex">
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={name}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          // The same file chosen again is read again.
          event.target.value = '';
        }}
      />
      <Button
        className={className}
        aria-label={name === label ? undefined : name}
        onClick={() => input.current?.click()}
      >
        {label}
      </Button>
    </span>
  );
}
