'use client';
import { useEffect, useState } from 'react';
import { Notice } from '@/ui/Notice';
import { PlainButton } from '@/ui/PlainButton';

/** How often it is looked whether the page can be shown again, ms. */
const LOOK_AGAIN_MS = 700;

/** A page that could not be shown: says whether the database is away, and shows the page by itself once it is back. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  const [isAway, setAway] = useState(false);
  useEffect(() => {
    const look = async () => {
      const isWell = await fetch('/api/health', { cache: 'no-store' }).then(({ ok }) => ok, () => false); // prettier-ignore
      if (!isWell) setAway(true);
      else if (isAway) location.reload();
    };
    void look();
    const timer = setInterval(() => void look(), LOOK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [isAway]);
  return (
    <Notice title={isAway ? 'The database does not answer' : 'This page could not be shown'}>
      {isAway
        ? 'Nothing that was saved is lost. This page shows itself again as soon as the database is back.'
        : 'Nothing was lost. Try again; if it stays, tell whoever runs Kevlo.'}
      <br />
      <PlainButton onClick={reset} sx={{ mt: 2 }}>
        Try again
      </PlainButton>
    </Notice>
  );
}
