'use client';

export default function GlobalError({ reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <h1>Kevlo could not show this page</h1>
        <p>Nothing was lost. Try again in a moment.</p>
        <button onClick={reset}>Try again</button>
      </body>
    </html>
  );
}
