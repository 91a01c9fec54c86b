import { useId } from 'react';

interface Props {
  label: string;
  accept: string;
  onFile: (file: File) => void;
}

/** A button that takes a file. */
export function FileButton({ label, accept, onFile }: Props) {
  const id = useId();
  return (
    <span className="inline-flex">
      <input
        id={id}
        type="file"
        accept={accept}
        className="peer sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          // The same file chosen again is read again.
          event.target.value = '';
        }}
      />
      <label
        htmlFor={id}
        className="inline-flex min-h-[32px] cursor-pointer items-center rounded-3 border border-soft px-3 py-1 peer-focus-visible:outline-2 peer-focus-visible:outline-act hover:bg-wash"
      >
        {label}
      </label>
    </span>
  );
}
