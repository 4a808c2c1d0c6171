export { runAgain } from './runAgain';
export { exportProject, importProject } from './projectFiles';
