import { randomUUID } from 'node:crypto';
import path from 'node:path';
import type postgres from 'postgres';
import { handOver, listKits, type Kit } from '../bags';
import { loadDemo, type DemoSignIns } from '../demo';
import { addFinished, addPhoto } from '../photos';
import { openProject, type Access } from '../projects';
import { smallPicture } from './smallPicture';

/** Loads the demo as it is at a time and opens it as its host. */
export async function openDemo(
  sql: postgres.Sql,
  now: Date,
): Promise<{ readonly access: Access<'own'>; readonly signIns: DemoSignIns }> {
  const signIns = await loadDemo(sql, path.join(process.cwd(), 'demo/blocks'), now);
  const [row] = await sql<{ id: string; host: string }[]>`
    select p.id, m.account_id as host from project p join membership m on m.project_id = p.id and m.role = 'host'
    where p.is_demo order by m.account_id limit 1`;
  const host = { id: row?.host ?? '', email: '', name: 'Host' };
  return { access: await openProject(sql, host, row?.id ?? '', 'own'), signIns };
}

/** Adds what the demo has none of: a bag that was handed over, a picture at a step and one of a finished block. @returns the bag */
export async function addToDemo(sql: postgres.Sql, access: Access<'own'>, token: string): Promise<Kit> {
  const packed = (await listKits(sql, access.project)).find(({ status }) => status === 'packed');
  if (!packed) throw new Error('The demo has no packed bag.');
  const { makerId, blockId } = packed;
  const handed = {
    makerId,
    how: 'counter',
    tracking: '',
    packets: 1,
    grams: 250,
    blocks: [blockId],
  } as const;
  await handOver(sql, access, { id: randomUUID(), ...handed });
  const image = await smallPicture();
  await addPhoto(sql, access, blockId, { stepId: 'join-1', says: 'A picture', image });
  await addFinished(sql, token, { id: randomUUID(), blockId, image });
  return packed;
}
