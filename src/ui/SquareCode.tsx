import { create } from 'qrcode';
import { useMemo } from 'react';

interface SquareCodeProps {
  readonly text: string;
  readonly label: string;
  /** Side on screen and on paper. */
  readonly size?: number | string;
}

/** A text as a square code for cameras and scanners, dark on white whatever the scheme is. */
export function SquareCode({ text, label, size = 112 }: SquareCodeProps) {
  const { cells, d } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    const dark = Array.from(modules.data).flatMap((on, i) =>
      on ? [`M${i % modules.size} ${Math.floor(i / modules.size)}h1v1h-1z`] : [],
    );
    return { cells: modules.size, d: dark.join('') };
  }, [text]);
  return (
    <svg
      viewBox={`-4 -4 ${cells + 8} ${cells + 8}`}
      role="img"
      aria-label={label}
      style={{ width: size, height: size, background: '#fff', flexShrink: 0 }}
    >
      <path d={d} fill="#000" />
    </svg>
  );
}
