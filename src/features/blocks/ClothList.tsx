'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ClothChange } from '@/server/cloth';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { FabricChip } from '@/ui/FabricChip';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';

/** The cloths of the project, each with its swatch; renamed here they are renamed everywhere. */
export function ClothList({ projectId, fabrics }: { projectId: string; fabrics: readonly string[] }) {
  const router = useRouter();
  const notice = useNotice();
  const [draft, setDraft] = useState<{ from: string; to: string } | undefined>();
  const { error, isBusy, run, settle } = useSend();
  useUnsaved(draft !== undefined && draft.from !== draft.to);
  const change = async (body: object) => {
    const answer = await send<ClothChange>('PATCH', `/api/projects/${projectId}/cloths`, body);
    router.refresh();
    return answer;
  };
  const save = (mayMerge = false) =>
    draft &&
    run(async () => {
      const { from, to } = draft;
      const { id, isMerged } = await change({ from, to, ...(mayMerge ? { mayMerge } : {}) });
      setDraft(undefined);
      notice({
        text: isMerged ? `${from} and ${to} are one cloth now.` : `${from} is called ${to} everywhere.`,
        undo: () => change({ takeBack: id }),
      });
    });
  const wouldMerge = error?.code === 'would-merge' && draft !== undefined;
  return (
    <Box sx={{ mt: 4 }}>
      <Typography variant="h3" gutterBottom>
        Cloths
      </Typography>
      <ErrorNote error={error} />
      {wouldMerge && (
        <Button variant="contained" disabled={isBusy} sx={{ my: 1 }} onClick={() => void save(true)}>
          {`Make ${draft.from} and ${draft.to.trim()} one cloth`}
        </Button>
      )}
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
        {fabrics.map((fabric) => (
          <Stack key={fabric} direction="row" spacing={1} sx={{ alignItems: 'center' }}>
            <FabricChip fabric={fabric} fabrics={fabrics} />
            {draft?.from === fabric ? (
              <Stack
                component="form"
                direction="row"
                spacing={1}
                onSubmit={(event) => {
                  event.preventDefault();
                  void save();
                }}
              >
                <TextField
                  label={`New name of ${fabric}`}
                  value={draft.to}
                  autoFocus
                  error={error !== undefined}
                  onChange={(event) => {
                    settle();
                    setDraft({ from: fabric, to: event.target.value });
                  }}
                />
                <Button type="submit" disabled={isBusy || draft.to.trim() === '' || draft.to === fabric}>
                  Rename
                </Button>
                <Button
                  onClick={() => {
                    settle();
                    setDraft(undefined);
                  }}
                >
                  Leave it
                </Button>
              </Stack>
            ) : (
              <Button
                variant="text"
                size="small"
                onClick={() => setDraft({ from: fabric, to: fabric })}
                aria-label={`Rename ${fabric}`}
              >
                {fabric}
              </Button>
            )}
          </Stack>
        ))}
      </Stack>
    </Box>
  );
}
