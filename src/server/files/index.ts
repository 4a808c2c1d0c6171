export { exportProject, importProject } from './projectFiles';
