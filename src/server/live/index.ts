export { onChange } from './live';
export { type ChangeKind, notify } from './notify';
