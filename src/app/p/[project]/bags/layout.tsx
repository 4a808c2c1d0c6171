import type { ReactNode } from 'react';
import { GearProvider } from '@/features/bags/Gear';
import { readKeptExtras } from '@/server/bags';
import { database } from '@/server/database';
import { loadProject } from '../load';

interface BagsLayoutProps {
  readonly children: ReactNode;
  readonly params: Promise<{ project: string }>;
}

export default async function BagsLayout({ children, params }: BagsLayoutProps) {
  const { project: projectId } = await params;
  const { project, role } = await loadProject(projectId);
  return (
    <GearProvider
      projectId={projectId}
      kept={await readKeptExtras(database(), project)}
      mayEdit={role === 'host'}
    >
      {children}
    </GearProvider>
  );
}
