export { type Access, openByFeed, openByLink, openProject } from './access';
export { audit } from './audit';
export {
  acceptInvitation,
  type BinLine,
  type Invitation,
  invite,
  listBin,
  listPeople,
  listTeam,
  type Person,
  type ProjectState,
  readInvitation,
  revokeInvitation,
  setProjectState,
  setRole,
} from './people';
export { MAY, type Need, needOf, type Role, ROUTES, type Wish } from './permissions';
export { readProject, type Project, type ProjectSettings } from './project';
export { changeProjectBasting } from './projectBasting';
export { changeProject, createProject, listProjects, type ProjectLine } from './projects';
export { blockIds, readKeptSetting, saveSetting } from './setting';
