import { afterAll, beforeAll, expect, test } from 'vitest';
import { LIMITS } from '@/core/formats';
import {
  acceptInvitation,
  invite,
  listBin,
  setProjectState,
  setRole,
  changeProject,
  createProject,
  listProjects,
  openProject,
} from '.';
import { deleteAccount, type Account } from '../accounts';
import { addMakers, openLink, setMakerRemoved } from '../makers';
import { testProject, type TestProject, refusal } from '../testing';

let { sql, drop, host, open } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, open } = await testProject('Test project'));
});

afterAll(() => drop());

test('people come by a link, once; a project always keeps a host; who is gone sees nothing', async () => {
  const { id } = (await createProject(sql, host, { name: 'By invitation' })).project;
  const link = await invite(sql, await open(host, id, 'own'), { role: 'helper', days: 1 });
  const guest = { email: 'guest@one.example', name: 'Guest', password: 'a long password' };
  const both = await Promise.allSettled([acceptInvitation(sql, link, guest), acceptInvitation(sql, link, { ...guest, email: 'late@two.example' })]);
  expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const { account } = (both.find(({ status }) => status === 'fulfilled') as PromiseFulfilledResult<{ account: Account }>).value;
  await expect(openProject(sql, account, id, 'pack')).resolves.toBeDefined();
  await expect(openProject(sql, account, id, 'edit')).rejects.toEqual(refusal(403));
  await expect(open(account, id, 'own')).rejects.toEqual(refusal(403));
  await expect(setRole(sql, await open(host, id, 'own'), host.id, 'gone')).rejects.toEqual(refusal(409));
  await setRole(sql, await open(host, id, 'own'), account.id, 'host');
  await setRole(sql, await open(host, id, 'own'), host.id, 'gone');
  await expect(openProject(sql, host, id, 'read')).rejects.toEqual(refusal(404));
  await expect(deleteAccount(sql, account, 'a long password')).rejects.toEqual(refusal(409));
  const old = await invite(sql, await open(account, id, 'own'), { role: 'host', days: 1 });
  await sql`update invitation set expires_at = now() - interval '1 s' where used_at is null`;
  await expect(acceptInvitation(sql, old, host)).rejects.toEqual(refusal(404));
}); // prettier-ignore

test('a project is archived, binned and taken back; it is deleted from the bin only', async () => {
  const { id } = (await createProject(sql, host, { name: 'Put away' })).project;
  const [maker] = await addMakers(sql, await open(host, id, 'edit'), ['Una']);
  const stateOf = async () => (await listProjects(sql, host)).find((one) => one.id === id)?.state;
  await setProjectState(sql, await open(host, id, 'own'), 'archived');
  expect(await stateOf()).toBe('archived');
  await expect(setProjectState(sql, await open(host, id, 'own'), 'deleted')).rejects.toEqual(refusal(409));
  await setProjectState(sql, await open(host, id, 'own'), 'binned');
  await expect(openProject(sql, host, id, 'read')).rejects.toEqual(refusal(404));
  await expect(openLink(sql, maker!.token)).rejects.toEqual(refusal(404));
  await setProjectState(sql, await openProject(sql, host, id, 'own', 'binned too'), 'in-use');
  await expect(openLink(sql, maker!.token)).resolves.toMatchObject({ maker: { name: 'Una' } });
  await setMakerRemoved(sql, await open(host, id, 'edit'), maker!.id, true);
  expect(await listBin(sql, await open(host, id, 'edit'))).toMatchObject([{ kind: 'maker', name: 'Una' }]);
  await addMakers(sql, await open(host, id, 'edit'), ['Una']);
  await expect(setMakerRemoved(sql, await open(host, id, 'edit'), maker!.id, false)).rejects.toEqual(
    refusal(409),
  );
  await setProjectState(sql, await open(host, id, 'own'), 'binned');
  await setProjectState(sql, await openProject(sql, host, id, 'own', 'binned too'), 'deleted');
  expect(await stateOf()).toBeUndefined();
});

test('what the files and the forms allow the database allows too', async () => {
  const { id } = (await createProject(sql, host, { name: 'Limits', unitSystem: 'metric' })).project;
  expect((await openProject(sql, host, id, 'read')).project).toMatchObject({ allowanceMm: 7, pageSize: 'A4' });
  for (const [column, { least, most }] of [['allowance_mm', LIMITS.allowanceMm], ['spares_percent', LIMITS.sparesPercent], ['grid_columns', LIMITS.gridColumns]] as const) {
    for (const value of [least, most]) await sql`update project set ${sql(column)} = ${value} where id = ${id}`;
    await expect(sql`update project set ${sql(column)} = ${most + 1} where id = ${id}`.then(() => 'taken')).rejects.toMatchObject({ code: '23514' });
  }
}); // prettier-ignore

test('two hosts change different settings of one project, and neither undoes the other', async () => {
  const { id, sparesPercent } = (await createProject(sql, host, { name: 'Shared' })).project;
  await Promise.all([
    changeProject(sql, await open(host, id, 'edit'), { name: 'Shared top' }),
    changeProject(sql, await open(host, id, 'edit'), { allowanceMm: 9.5, shop: '' }),
    changeProject(sql, await open(host, id, 'edit'), { gridColumns: 5 }),
  ]);
  const after = (await openProject(sql, host, id, 'read')).project;
  expect(after).toMatchObject({ name: 'Shared top', allowanceMm: 9.5, shop: '', gridColumns: 5, sparesPercent });
}); // prettier-ignore

test('fifty invitations wait at most; one that is too old waits no more', async () => {
  const own = await createProject(sql, host, { name: 'Inviting' });
  for (let i = 0; i < 50; i++) await invite(sql, own, { role: 'helper', days: i === 0 ? 1 : 7 });
  await expect(invite(sql, own, { role: 'helper', days: 1 })).rejects.toEqual(refusal(409));
  await sql`update invitation set expires_at = expires_at - interval '2 days' where project_id = ${own.project.id}`;
  await expect(invite(sql, own, { role: 'helper', days: 1 })).resolves.toHaveLength(32);
  await expect(invite(sql, own, { role: 'helper', days: 1 })).rejects.toEqual(refusal(409));
});
