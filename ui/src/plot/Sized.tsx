import { type ReactNode, useEffect, useRef, useState } from 'react';

const LEAST = 320;

/** Gives a drawing the width that there is, so that its words keep their size. */
export function Sized({ usual = 760, children }: { usual?: number; children: (width: number) => ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(usual);
  useEffect(() => {
    if (!box.current) return;
    const observer = new ResizeObserver((entries) => setWidth(Math.round(entries[0]?.contentRect.width || usual)));
    observer.observe(box.current);
    return () => observer.disconnect();
  }, [usual]);
  return <div ref={box}>{children(Math.max(LEAST, width))}</div>;
}
