import { UNIT_DEFAULTS } from '@/core/length';
import { SettingView } from '@/features/setting/SettingView';
import { defaultSetting } from '@/core/setting';
import { database } from '@/server/database';
import { readKeptSetting } from '@/server/projects';
import { loadBlocks } from '../../load';

export const metadata = { title: 'Setting' };

export default async function SettingPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { setting, revision } = await readKeptSetting(database(), project);
  const { stepMm } = UNIT_DEFAULTS[project.unitSystem];
  const sizes = blocks.map(({ id, sheet }) => ({ id, widthMm: sheet.widthMm, heightMm: sheet.heightMm }));
  return (
    <SettingView
      projectId={projectId}
      initial={setting ?? defaultSetting(sizes, project.gridColumns, stepMm)}
      revision={revision}
      blocks={blocks.map(({ id, name, sheet }) => ({ id, name, patches: sheet.patches }))}
      fabrics={fabrics}
      system={project.unitSystem}
    />
  );
}
