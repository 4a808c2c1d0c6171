'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Suspense, createContext, lazy, useCallback, useContext, useState, type ReactNode } from 'react';
import { asRefusal } from './api';

// What most visits to a phone’s page never show is loaded when it is first needed.
const NoticeBar = lazy(() => import('./NoticeBar'));

interface Notice {
  readonly text: string;
  /** Takes back what the notice tells of; where that fails, the reason is said. */
  readonly undo?: () => unknown;
}

const NoticeContext = createContext<(notice: Notice) => void>(() => undefined);
const WorkContext = createContext<(text: string) => () => void>(() => () => undefined);

/** Says at once that something is being worked out. @returns a function that ends it */
export function useWorking() {
  return useContext(WorkContext);
}

/** Says something at the foot of the page, with a way to undo it. */
export function useNotice() {
  return useContext(NoticeContext);
}

export function Notices({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<(Notice & { key: number }) | undefined>();
  const [isOpen, setIsOpen] = useState(false);
  const [works, setWorks] = useState<readonly { readonly text: string }[]>([]);
  const begin = useCallback((text: string) => {
    const work = { text };
    setWorks((own) => [...own, work]);
    return () => setWorks((own) => own.filter((one) => one !== work));
  }, []);
  const show = useCallback((next: Notice) => {
    setNotice({ ...next, key: Math.random() });
    setIsOpen(true);
  }, []);
  const close = useCallback(() => setIsOpen(false), []);
  const undo = useCallback(() => {
    close();
    void takeBack(notice?.undo).catch((error: unknown) => show({ text: asRefusal(error).message }));
  }, [notice, close, show]);
  return (
    <NoticeContext value={show}>
      <WorkContext value={begin}>{children}</WorkContext>
      <WorkBar text={works.at(-1)?.text} />
      {notice && (
        <Suspense>
          <NoticeBar
            key={notice.key}
            text={notice.text}
            isOpen={isOpen}
            onUndo={notice.undo && undo}
            onClose={close}
          />
        </Suspense>
      )}
    </NoticeContext>
  );
}

/** What is being worked out, at the head of the page. */
function WorkBar({ text }: { text: string | undefined }) {
  return (
    <Box
      role="status"
      className="no-print"
      sx={{ position: 'fixed', top: 0, left: 0, right: 0, zIndex: 'snackbar', pointerEvents: 'none' }}
    >
      {text !== undefined && (
        <>
          <Box component="progress" aria-label={text} sx={{ display: 'block', width: '100%', height: 4 }} />
          <Typography
            sx={{
              width: 'fit-content',
              mx: 'auto',
              px: 2,
              py: 0.5,
              bgcolor: 'background.paper',
              border: 1,
              borderTop: 0,
              borderColor: 'divider',
            }}
          >
            {text}
          </Typography>
        </>
      )}
    </Box>
  );
}

async function takeBack(undo: Notice['undo']): Promise<void> {
  await undo?.();
}
