'use client';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import { asRefusal } from './api';

interface Notice {
  readonly text: string;
  /** Takes back what the notice tells of; where that fails, the reason is said. */
  readonly undo?: () => unknown;
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
            close();
            void takeBack(notice.undo).catch((error: unknown) => show({ text: asRefusal(error).message }));
          }}
        >
          Undo
        </Button>
      ),
    [notice, close, show],
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

async function takeBack(undo: Notice['undo']): Promise<void> {
  await undo?.();
}
