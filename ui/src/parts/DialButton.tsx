import { Button } from './ui/Button';

/** A button no larger than the key that it stands for; the keys belong to the page again after it. */
export function DialButton({ label, sign, onClick }: { label: string; sign: string; onClick: () => void }) {
  return (
    <Button
      kind="bare"
      aria-label={label}
      onClick={(event) => {
        event.currentTarget.blur();
        onClick();
      }}
      className="figure min-w-6.5 justify-center border border-rule text-13 hover:bg-wash"
    >
      {sign}
    </Button>
  );
}
