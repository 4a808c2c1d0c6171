/** How often each process looks for work that another one left, ms. */
const LOOK_MS = 10_000;

/** Called once when a server process begins: what was begun before a kill is finished. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { database } = await import('@/server/database');
  const { runDueJobs } = await import('@/server/jobs');
  const { JOB_KINDS } = await import('@/server/jobKinds');
  const { sendDueMail } = await import('@/server/reminders');
  const { log } = await import('@/server/log');
  let isLooking = false;
  const look = async () => {
    if (isLooking) return;
    isLooking = true;
    try {
      await runDueJobs(database(), JOB_KINDS);
      await sendDueMail(database());
    } catch (error) {
      log().warn({ err: error }, 'jobs could not be looked for');
    } finally {
      isLooking = false;
    }
  };
  setInterval(() => void look(), LOOK_MS).unref();
  void look();
}
