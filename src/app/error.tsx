'use client';
import Button from '@mui/material/Button';
import { Notice } from '@/ui/Notice';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <Notice title="This page could not be shown">
      Nothing was lost. The database may be restarting; try again in a moment.
      <br />
      <Button onClick={reset} sx={{ mt: 2 }}>
        Try again
      </Button>
    </Notice>
  );
}
