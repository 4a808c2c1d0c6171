export { makerAddress, publicAddress } from './makerAddress';
export {
  addMakers,
  changeLink,
  listMakers,
  type Maker,
  type LinkAccess,
  openLink,
  setMakerRemoved,
  setSkip,
} from './makers';
