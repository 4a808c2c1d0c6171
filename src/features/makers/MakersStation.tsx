'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import useSWR from 'swr';
import type { Maker } from '@/server/makers';
import type { BlockProgress } from '@/server/progress';
import { asRefusal, read, send } from '@/ui/api';
import { Notice } from '@/ui/Notice';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';
import { AddMakers } from './AddMakers';
import { BlocksDialog } from './BlocksDialog';
import { LinkDialog, type MakerLink } from './LinkDialog';
import { MakersWall } from './MakersWall';

interface MakersStationProps {
  readonly projectId: string;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly Maker[];
  readonly initialProgress: readonly BlockProgress[];
}

/** Who is where, who is stuck; adding makers and giving them their links. */
export function MakersStation({ projectId, blocks, makers, initialProgress }: MakersStationProps) {
  const router = useRouter();
  const notice = useNotice();
  const [choosing, setChoosing] = useState<string | undefined>();
  const [links, setLinks] = useState<readonly MakerLink[]>([]);
  const { data: progress = initialProgress, mutate } = useSWR<readonly BlockProgress[]>(
    `/api/projects/${projectId}/progress`,
    read,
    { fallbackData: initialProgress },
  );
  useLive(projectId, ['progress', 'makers', 'blocks'], () => void mutate());
  const patch = (maker: Maker, body: object) =>
    send<{ link?: string | null }>('PATCH', `/api/projects/${projectId}/makers/${maker.id}`, body);
  const attempt = (work: () => Promise<void>) =>
    void work()
      .then(() => router.refresh())
      .catch((error: unknown) => notice({ text: asRefusal(error).message }));
  const renew = (maker: Maker) =>
    attempt(async () => {
      const { link } = await patch(maker, { link: 'renew' });
      if (link) setLinks([{ name: maker.name, link }]);
    });
  const revoke = (maker: Maker) =>
    attempt(async () => {
      await patch(maker, { link: 'revoke' });
      notice({ text: `${maker.name}’s link no longer works. Give a new one when it is wanted.` });
    });
  const remove = (maker: Maker) =>
    attempt(async () => {
      await patch(maker, { isRemoved: true });
      notice({
        text: `${maker.name} is taken out.`,
        undo: () => attempt(async () => void (await patch(maker, { isRemoved: false }))),
      });
    });
  const skip = (maker: Maker, blockId: string, isSkipped: boolean) =>
    attempt(async () => {
      await patch(maker, { skip: { blockId, isSkipped } });
      void mutate();
    });
  return (
    <Box>
      <Stack
        direction="row"
        sx={{ justifyContent: 'space-between', alignItems: 'baseline', flexWrap: 'wrap', gap: 1, mb: 1 }}
      >
        <Typography variant="h2">Makers</Typography>
        <Typography color="textSecondary">
          Each stitch of a line is a share of that block’s work. It changes while they sew.
        </Typography>
      </Stack>
      {makers.length === 0 ? (
        <Notice title="No makers yet">
          Add them by name, one to a line. Each gets a personal link that opens their own page on a phone,
          without an account.
        </Notice>
      ) : (
        <MakersWall
          blocks={blocks}
          makers={makers}
          progress={progress}
          onChooseBlocks={(maker) => setChoosing(maker.id)}
          onNewLink={renew}
          onRevoke={revoke}
          onRemove={remove}
        />
      )}
      <AddMakers
        projectId={projectId}
        onAdded={(added) => {
          setLinks(added);
          router.refresh();
        }}
      />
      <LinkDialog links={links} onClose={() => setLinks([])} />
      <BlocksDialog
        maker={makers.find(({ id }) => id === choosing)}
        blocks={blocks}
        onSkip={skip}
        onClose={() => setChoosing(undefined)}
      />
    </Box>
  );
}
