'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Kit } from '@/server/bags';
import type { Maker, MakerGroup } from '@/server/makers';
import type { PackedProgress } from '@/core/progress';
import { LinkButton } from '@/ui/LinkButton';
import { Notice } from '@/ui/Notice';
import { PlainButton } from '@/ui/PlainButton';
import { AddMakers } from './AddMakers';
import { BlockUnits } from './BlockUnits';
import { BlocksDialog } from './BlocksDialog';
import { GroupsDialog } from './GroupsDialog';
import { LinkDialog, type MakerLink } from './LinkDialog';
import { MakerDialog } from './MakerDialog';
import { MakersWall, type MakerWay } from './MakersWall';
import { RosterFile } from './RosterFile';
import type { TroublesPanelProps } from './troubleGroups';
import { TroublesPanel } from './TroublesPanel';
import { useKeeping } from './useKeeping';
import type { Project } from '@/server/projects';
import { useRoster } from './useRoster';
import { useWallProgress } from './useWallProgress';
import { WallTools, type WallDrop } from './WallTools';
import { FIRST_CHOICE, wallLines } from './wallView';

interface MakersStationProps extends Pick<TroublesPanelProps, 'blocks' | 'troubles' | 'team' | 'mayEdit'> {
  readonly project: Pick<Project, 'id' | 'unitSystem' | 'allowanceMm'>;
  readonly makers: readonly Maker[];
  readonly groups: readonly MakerGroup[];
  readonly drops: readonly WallDrop[];
  readonly initialProgress: PackedProgress;
  readonly kits: readonly Pick<Kit, 'makerId' | 'blockId' | 'status'>[];
}

type Opened = { readonly kind: 'blocks' | 'maker'; readonly makerId: string } | { readonly kind: 'groups' };

/** Who is where, who is stuck and what to answer; who belongs to which group, and their links. */
export function MakersStation(props: MakersStationProps) {
  const { project, blocks, makers, groups, drops, initialProgress, kits, mayEdit, ...stuck } = props;
  const projectId = project.id;
  const router = useRouter();
  const [opened, setOpened] = useState<Opened | undefined>();
  const [links, setLinks] = useState<readonly MakerLink[]>([]);
  const [choice, setChoice] = useState(FIRST_CHOICE);
  const [looked, setLooked] = useState<string | undefined>();
  const { progress, refresh } = useWallProgress(projectId, initialProgress);
  const { keeping, problem, again } = useKeeping(projectId);
  const roster = useRoster(projectId, setLinks);
  const drop = drops.find(({ id }) => id === choice.drop);
  const shown = useMemo(() => (drop ? blocks.filter(({ id }) => drop.blocks.includes(id)) : blocks), [blocks, drop]);
  const handed = useMemo(() => new Set(kits.flatMap(({ makerId, blockId, status }) => (status === 'handed-over' ? [`${makerId}/${blockId}`] : []))), [kits]);
  const lines = wallLines({ makers, blocks: shown, progress, keeping, handed }, choice);
  const overall = drop ? wallLines({ makers, blocks, progress, keeping, handed }, choice) : lines;
  const maker = opened && opened.kind !== 'groups' ? makers.find(({ id }) => id === opened.makerId) : undefined;
  const ways: MakerWay[] = [
    { name: 'Name, group, pause, their data', run: ({ id }) => setOpened({ kind: 'maker', makerId: id }) },
    { name: 'Choose the blocks that they sew', run: ({ id }) => setOpened({ kind: 'blocks', makerId: id }) },
    { name: 'Give a new link (the old one stops)', run: (one) => void roster.renew(one) },
    { name: 'Revoke the link', run: (one) => void roster.revoke(one), isOff: ({ hasLink }) => !hasLink },
    { name: 'Take out of the project', run: (one) => void roster.remove(one) },
  ];
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'baseline', flexWrap: 'wrap', gap: 1, mb: 1 }}>
        <Typography variant="h2">Makers</Typography>
        <Stack direction="row" className="no-print" sx={{ gap: 1, flexWrap: 'wrap' }}>
          <LinkButton href={`/p/${projectId}/makers/roll`}>Call the roll</LinkButton>
          <LinkButton href={`/p/${projectId}/makers/gallery`}>Finished blocks</LinkButton>
          <LinkButton href={`/p/${projectId}/makers/class`}>Who waves (projector)</LinkButton>
          {mayEdit && <Button onClick={() => setOpened({ kind: 'groups' })}>Groups</Button>}
          {mayEdit && <RosterFile projectId={projectId} makers={makers} groups={groups} onLinks={setLinks} />}
        </Stack>
      </Stack>
      <TroublesPanel projectId={projectId} makers={makers} blocks={blocks} mayEdit={mayEdit} {...stuck} />
      {makers.length === 0 ? (
        <Notice title="No makers yet">
          Add them by name, one to a line, or read a list. Each gets a personal link that opens their own page on a phone, without an account.
        </Notice>
      ) : (
        <>
          <Typography color="textSecondary" sx={{ mb: 1.5 }}>
            Each stitch of a line is a share of that block’s work. It changes while they sew. Press a block’s name for its units.
          </Typography>
          <WallTools choice={choice} onChoice={setChoice} groups={groups} drops={drops} lines={overall} />
          {problem && (
            <Notice title="Who keeps up could not be reckoned">
              The lines are right; who is slipping or stalled is not known. {problem.mend} <PlainButton onClick={again}>Try again</PlainButton>
            </Notice>
          )}
          <MakersWall blocks={shown} lines={lines} progress={progress} groups={groups} ways={mayEdit ? ways : []} onBlock={setLooked} />
          {looked && <BlockUnits key={looked} projectId={projectId} blockId={looked} makers={lines.map((line) => line.maker)} onClose={() => setLooked(undefined)} />}
        </>
      )}
      {mayEdit && (
        <AddMakers
          projectId={projectId}
          onAdded={(added) => {
            setLinks(added);
            router.refresh();
          }}
        />
      )}
      <LinkDialog links={links} onClose={() => setLinks([])} />
      <BlocksDialog
        maker={opened?.kind === 'blocks' ? maker : undefined}
        blocks={blocks}
        onSkip={(one, blockId, isSkipped) => void roster.skip(one, blockId, isSkipped).then(() => refresh())}
        onOrder={(one, making) => void roster.change(one, { making }, `${one.name}: the order of their blocks is changed.`).then(() => refresh())}
        onClose={() => setOpened(undefined)}
      />
      {opened?.kind === 'maker' && maker && <MakerDialog key={maker.id} project={project} maker={maker} groups={groups} roster={roster} onClose={() => setOpened(undefined)} />}
      {opened?.kind === 'groups' && <GroupsDialog groups={groups} roster={roster} onClose={() => setOpened(undefined)} />}
    </Box>
  );
} // prettier-ignore
