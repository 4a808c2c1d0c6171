import { dayAt } from '@/core/calendar';
import { RollCall } from '@/features/makers/RollCall';
import { readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { listGroups, listMakers } from '@/server/makers';
import { readRoll } from '@/server/progress';
import { loadProject } from '../../load';

export const metadata = { title: 'Roll call' };

export default async function RollPage({ params }: { params: Promise<{ project: string }> }) {
  const { project } = await loadProject((await params).project);
  const sql = database();
  const { calendar } = await readKeptCalendar(sql, project);
  const day = dayAt(new Date().getTime(), calendar.timeZone);
  const [makers, groups, lines] = await Promise.all([
    listMakers(sql, project),
    listGroups(sql, project),
    readRoll(sql, project, day),
  ]);
  return <RollCall projectId={project.id} makers={makers} groups={groups} initial={{ day, lines }} />;
}
