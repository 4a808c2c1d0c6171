import { redirect } from 'next/navigation';
import { ProjectList } from '@/features/account/ProjectList';
import { hasAccounts } from '@/server/accounts';
import { database } from '@/server/database';
import { currentAccount } from '@/server/http';
import { listProjects } from '@/server/projects';

export default async function Home() {
  const account = await currentAccount();
  if (!account) redirect((await hasAccounts(database())) ? '/sign-in' : '/first-run');
  const projects = await listProjects(database(), account);
  return <ProjectList name={account.name} projects={projects} />;
}
