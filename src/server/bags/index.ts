export {
  type ChangedKits,
  type Kit,
  type KitStatus,
  type KitWish,
  listKits,
  setKitStatus,
  setKitStatuses,
} from './kits';
