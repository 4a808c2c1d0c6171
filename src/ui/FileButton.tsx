import Button, { type ButtonProps } from '@mui/material/Button';

interface FileButtonProps extends Pick<ButtonProps, 'size' | 'variant' | 'disabled' | 'children'> {
  /** Kinds of file, as an input's accept attribute. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** Drawings and block files. */
export const DRAWING_FILES = '.svg,.json,image/svg+xml,application/json';

/** A button that asks for one file; the same file may be chosen again. */
export function FileButton({ accept, onFile, children, ...button }: FileButtonProps) {
  return (
    <Button component="label" {...button}>
      {children}
      <input
        type="file"
        accept={accept}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </Button>
  );
}
