import { writePasswordLetter } from '@/server/accounts';
import { PlainError } from './PlainError';
import { stopCluster } from './cluster';
import { dataFolder } from './places';
import { openDatabase, withDatabase } from './withDatabase';

/** `./kevlo reset-password E-MAIL`: prints a link with which a new password is set, good for a day, once. */
export async function runResetPassword(args: readonly string[]): Promise<number> {
  const [email] = args;
  if (!email) throw new PlainError('Name the account: ./kevlo reset-password E-MAIL');
  const folder = dataFolder();
  const { url, cluster } = await openDatabase(folder);
  try {
    const token = await withDatabase(url, (sql) => writePasswordLetter(sql, email.trim().toLowerCase()));
    if (!token) throw new PlainError(`There is no account of ${email}.`);
    const base = process.env.PUBLIC_URL ?? `http://127.0.0.1:${process.env.PORT ?? 3000}`;
    process.stdout.write(
      `Open this within a day to set a new password:\n${base.replace(/\/$/, '')}/reset/${token}\n`,
    );
    return 0;
  } finally {
    if (cluster?.wasStarted) await stopCluster(folder);
  }
}
