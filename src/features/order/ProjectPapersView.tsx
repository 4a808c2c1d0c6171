'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { counted, times } from '@/core/words';
import { BASTE_POLICIES, PACK_PAPERS, packsFor, type BastePolicy, type BlockPapers } from '@/core/papers';
import type { PapersOfProject } from '@/core/sheet';
import { Silhouette } from '@/ui/drawing';
import { Notice } from '@/ui/Notice';
import { POLICY_NAMES } from './policyNames';

interface ProjectPapersViewProps {
  readonly projectId: string;
  readonly papers: PapersOfProject;
  readonly makers: number;
  readonly sparesPercent: number;
}

/** Papers of the whole project: what each maker needs when they are used again, and what to save after each block. */
export function ProjectPapersView({ projectId, papers, makers, sparesPercent }: ProjectPapersViewProps) {
  const [policy, setPolicy] = useState<BastePolicy>('all-first');
  const { kinds, names } = papers;
  if (kinds.length === 0)
    return (
      <Notice title="No papers yet">
        Papers are counted from the blocks.{' '}
        <Link href={`/p/${projectId}/blocks/new`}>Bring in a drawing first</Link>.
      </Notice>
    );
  const needs = kinds.map(({ policies }) => policies[policy].needed);
  const total = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0);
  const packs = needs.map((needed) => packsFor(needed, makers));
  const bagPacks = kinds.map(({ inBags }) => packsFor(inBags, makers));
  const inAllBags = total(kinds.map(({ inBags }) => inBags));
  return (
    <Stack spacing={2}>
      <Typography variant="h2">Papers of the project</Typography>
      <Typography>
        For one maker who sews the blocks in the order of the{' '}
        <Link href={`/p/${projectId}/blocks/setting`}>setting</Link> and uses papers again, {sparesPercent} %
        spares included: <strong>{counted(total(needs), 'paper')}</strong>, for {counted(makers, 'maker')}{' '}
        <strong>{counted(total(packs), 'pack')}</strong> of {PACK_PAPERS}.{' '}
        {total(needs) < inAllBags
          ? `If every bag brings its own it is ${counted(inAllBags, 'paper')} and ${counted(total(bagPacks), 'pack')}.`
          : 'That is what the bags bring: so basted, no paper is free again before it would be needed.'}
      </Typography>
      {!papers.isSet && (
        <Alert severity="warning" variant="outlined" icon={false}>
          How the blocks are joined is not settled yet, so papers at a rim are kept to the very end.{' '}
          <Link href={`/p/${projectId}/blocks/setting`}>Settle it</Link> to see when they come out.
        </Alert>
      )}
      <ClashNote clashes={papers.clashes} />
      <TextField
        select
        size="small"
        label="When makers baste"
        value={policy}
        onChange={({ target }) => setPolicy(target.value as BastePolicy)}
        sx={{ maxWidth: 340 }}
        className="no-print"
      >
        {BASTE_POLICIES.map((one) => (
          <MenuItem key={one} value={one}>
            {POLICY_NAMES[one]}
          </MenuItem>
        ))}
      </TextField>
      <PapersTable papers={papers} policy={policy} makers={makers} />
      <Typography color="textSecondary">
        Needed is the larger of what is in use at most and patches ÷ uses of one paper (by the way it is
        basted), with spares. Taking papers out early frees them; a soft edge means a new one.
      </Typography>
      <Typography variant="h3">When each block is done</Typography>
      {papers.blocks.map((block, turn) => (
        <AfterBlock key={`${block.id}-${turn}`} block={block} turn={turn} names={names} />
      ))}
    </Stack>
  );
}

interface AfterBlockProps {
  readonly block: BlockPapers;
  readonly turn: number;
  readonly names: readonly string[];
}

function AfterBlock({ block, turn, names }: AfterBlockProps) {
  const said = (list: readonly { kind: number; count: number }[]) =>
    list.map(({ kind, count }) => times(count, names[kind] ?? '')).join(', ');
  const whole = block.held.filter(({ until }) => until === null);
  const until = [...new Set(block.held.flatMap(({ until: name }) => name ?? []))];
  return (
    <Box
      id={`papers-${block.id}`}
      component="section"
      aria-label={`Papers after ${block.block}`}
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        pt: 1,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '170px 1fr' },
        gap: 1,
      }}
    >
      <Typography component="h4" sx={{ fontWeight: 700 }}>
        {turn + 1}. {block.block}
      </Typography>
      <Box>
        <Typography>
          {block.isAppliqued
            ? 'Sewn onto a square: press it, and all its papers may come out; pin it down at once.'
            : block.held.length === 0
              ? 'All its papers come out.'
              : 'Papers within come out; those at the rim wait for what is sewn to it.'}
        </Typography>
        {until.map((name) => (
          <Typography key={name}>
            Stay in until {name} is joined: {said(block.held.filter((one) => one.until === name))}.
          </Typography>
        ))}
        {whole.length > 0 && <Typography>Stay in until the top is finished: {said(whole)}.</Typography>}
        <Typography>
          {block.keep.length > 0 ? (
            <>
              <strong>Save for later blocks:</strong> {said(block.keep)}.
            </>
          ) : (
            'Nothing to save: no later block takes these papers.'
          )}
        </Typography>
      </Box>
    </Box>
  );
}

/** Places where tails of two blocks lie over one seam. */
function ClashNote({ clashes }: Pick<PapersOfProject, 'clashes'>) {
  if (clashes.length === 0) return null;
  return (
    <Alert severity="warning" variant="outlined" icon={false}>
      <strong>
        {clashes.length} {clashes.length === 1 ? 'place' : 'places'} where tails of two blocks lie over one
        seam:
      </strong>{' '}
      {clashes
        .slice(0, 6)
        .map(({ patches }) => patches.map(({ block, number }) => `${number} of ${block}`).join(' against '))
        .join('; ')}
      {clashes.length > 6 ? ' …' : '.'} Fold both all round anticlockwise (paper side towards you), and none
      is left.
    </Alert>
  );
}

interface PapersTableProps {
  readonly papers: PapersOfProject;
  readonly policy: BastePolicy;
  readonly makers: number;
}

/** Every paper of the project: how often it is sewn, used at once, needed, and bought. */
function PapersTable({ papers: { kinds, names }, policy, makers }: PapersTableProps) {
  return (
    <TableContainer>
      <Table size="small" aria-label="Papers by kind" sx={{ '& td, & th': { px: 1 } }}>
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell>Paper</TableCell>
            <TableCell align="right">Patches</TableCell>
            <TableCell align="right">Uses of one</TableCell>
            <TableCell align="right">In the bags</TableCell>
            <TableCell align="right">In use at most</TableCell>
            <TableCell align="right">Needed</TableCell>
            <TableCell align="right">Packs for {counted(makers, 'maker')}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {kinds.map(({ outline, uses, usesPerPaper, inBags, policies }, kind) => (
            <TableRow key={names[kind]}>
              <TableCell sx={{ width: 44 }}>
                <Silhouette outline={outline} size={30} label="" />
              </TableCell>
              <TableCell>{names[kind]}</TableCell>
              <TableCell align="right">{uses}</TableCell>
              <TableCell align="right">{usesPerPaper}</TableCell>
              <TableCell align="right">{inBags}</TableCell>
              <TableCell align="right">{policies[policy].peak}</TableCell>
              <TableCell align="right">
                <strong>{policies[policy].needed}</strong>
              </TableCell>
              <TableCell align="right">
                {packsFor(policies[policy].needed, makers)} (bags {packsFor(inBags, makers)})
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
