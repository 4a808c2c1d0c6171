import Divider from '@mui/material/Divider';
import Stack from '@mui/material/Stack';
import { AgainPanel } from '@/features/people/AgainPanel';
import { BinPanel } from '@/features/people/BinPanel';
import { PeoplePanel } from '@/features/people/PeoplePanel';
import { StatePanel } from '@/features/people/StatePanel';
import { database } from '@/server/database';
import { listBin, openProject } from '@/server/projects';
import { loadProject, orNotFound } from '../load';

export const metadata = { title: 'People and bin' };

export default async function PeoplePage({ params }: { params: Promise<{ project: string }> }) {
  const { account, project } = await loadProject((await params).project);
  const access = await orNotFound(() => openProject(database(), account, project.id, 'own'));
  const lines = await listBin(database(), access);
  return (
    <Stack spacing={4} divider={<Divider />}>
      <PeoplePanel projectId={project.id} ownId={account.id} />
      <BinPanel projectId={project.id} lines={lines} />
      <AgainPanel projectId={project.id} name={project.name} />
      <StatePanel projectId={project.id} name={project.name} />
    </Stack>
  );
}
