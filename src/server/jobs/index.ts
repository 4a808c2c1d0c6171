export { addJob, runDueJobs, runJobNow, type Job, type JobKinds, type JobState, type JobWork } from './jobs';
