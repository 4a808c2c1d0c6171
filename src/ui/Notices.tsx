'use client';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

interface Notice {
  readonly text: string;
  /** Takes back what the notice tells of. */
  readonly undo?: () => void;
}

const NoticeContext = createContext<(notice: Notice) => void>(() => undefined);

/** Says something at the foot of the page, with a way to undo it. */
export function useNotice() {
  return useContext(NoticeContext);
}

export function Notices({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<(Notice & { key: number }) | undefined>();
  const [isOpen, setIsOpen] = useState(false);
  const show = useCallback((next: Notice) => {
    setNotice({ ...next, key: Math.random() });
    setIsOpen(true);
  }, []);
  const close = useCallback(() => setIsOpen(false), []);
  const action = useMemo(
    () =>
      notice?.undo && (
        <Button
          color="inherit"
          size="small"
          onClick={() => {
            notice.undo?.();
            close();
          }}
        >
          Undo
        </Button>
      ),
    [notice, close],
  );
  return (
    <NoticeContext value={show}>
      {children}
      <Snackbar
        key={notice?.key}
        open={isOpen}
        autoHideDuration={8000}
        onClose={(_, reason) => reason !== 'clickaway' && close()}
        message={notice?.text}
        action={action}
        className="no-print"
      />
    </NoticeContext>
  );
}
