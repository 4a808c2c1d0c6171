'use client';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { ReactNode } from 'react';
import { theme } from './theme';
import { Notices } from './Notices';

/** Theme, style cache with the page's nonce, and the notices at the foot of every page. */
export function Providers({ nonce, children }: { nonce: string | undefined; children: ReactNode }) {
  return (
    <AppRouterCacheProvider options={{ key: 'kv', ...(nonce === undefined ? {} : { nonce }) }}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <Notices>{children}</Notices>
      </ThemeProvider>
    </AppRouterCacheProvider>
  );
}
