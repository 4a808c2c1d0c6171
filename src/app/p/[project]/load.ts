import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { projectBadges } from '@/server/badges';
import { listBlocks } from '@/server/blocks';
import { clothLooks } from '@/server/cloth';
import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { currentAccount } from '@/server/http';
import { listKits } from '@/server/bags';
import { listMakers } from '@/server/makers';
import { projectProgress, standingsOf } from '@/server/progress';
import { openProject } from '@/server/projects';

/** Runs server work for a page: what is not there, or not ours, is the not-found page. */
export async function orNotFound<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof ServerError && error.status === 404) notFound();
    throw error;
  }
}

/** The project of a page, once per request; people who are not signed in are sent to the door. */
export const loadProject = cache(async (projectId: string) => {
  const account = await currentAccount();
  if (!account) redirect('/sign-in');
  return orNotFound(() => openProject(database(), account, projectId, 'read'));
});

/** The project with its blocks and their sheets, once per request. */
export const loadBlocks = cache(async (projectId: string) => {
  const { account, project } = await loadProject(projectId);
  const blocks = await listBlocks(database(), project);
  const fabrics = [
    ...new Set(blocks.flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric))),
  ].sort();
  const looks = await clothLooks(database(), project, fabrics);
  return { account, project, blocks, fabrics, looks };
});

/** What the stations on the tape call for. */
export const loadBadges = cache(async (projectId: string) => {
  const { project } = await loadProject(projectId);
  return projectBadges(database(), project);
});

/** How every maker stands with every block, once per request. */
export const loadStandings = cache(async (projectId: string) => {
  const { project } = await loadProject(projectId);
  return standingsOf(database(), project);
});

/** Makers, bags and progress of a project. */
export const loadPeople = cache(async (projectId: string) => {
  const { project } = await loadProject(projectId);
  const sql = database();
  const [makers, kits, progress] = await Promise.all([
    listMakers(sql, project),
    listKits(sql, project),
    projectProgress(sql, project, loadStandings(projectId)),
  ]);
  return { makers, kits, progress };
});
