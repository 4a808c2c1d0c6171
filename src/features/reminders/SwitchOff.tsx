'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Doorway } from '@/ui/Doorway';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

interface SwitchOffProps {
  readonly token: string;
  readonly maker: string;
  readonly project: string;
  readonly wantsMail: boolean;
}

/** What the link in a reminder opens: one press ends them, another brings them back. */
export function SwitchOff({ token, maker, project, wantsMail }: SwitchOffProps) {
  const [isOn, setIsOn] = useState(wantsMail);
  const { error, isBusy, run } = useSend();
  const turn = () =>
    run(async () => {
      await send('POST', `/api/off/${token}`, { wantsMail: !isOn });
      setIsOn(!isOn);
    });
  return (
    <Doorway
      title={`Reminders of ${project}`}
      intro={`For ${maker}. Your own page and your blocks stay as they are.`}
    >
      <ErrorNote error={error} />
      <Typography role="status" sx={{ mb: 2 }}>
        {isOn ? 'Reminders are on.' : 'Reminders are switched off. You get no more of them.'}
      </Typography>
      <Button variant="contained" disabled={isBusy} onClick={() => void turn()}>
        {isOn ? 'Switch them off' : 'Switch them on again'}
      </Button>
    </Doorway>
  );
}
