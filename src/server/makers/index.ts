export { makerAddress, publicAddress } from './makerAddress';
export { listContacts, setContact, type Contact } from './contacts';
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
