export { makerAddress, publicAddress } from './makerAddress';
export { listContacts, setContact, type Contact } from './contacts';
export { groupNamed, addGroup, changeGroup, listGroups, type MakerGroup } from './groups';
export { erasePerson, readPerson } from './privacy';
export { takeRoster, type TakenRoster } from './roster';
export {
  addMakers,
  cardLinks,
  changeLink,
  changeMaker,
  listMakers,
  type Maker,
  type MakerChange,
  type LinkAccess,
  openLink,
  setMakerRemoved,
  setSkip,
} from './makers';
export { substitutesFor } from './substitutes';
