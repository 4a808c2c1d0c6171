export {
  type ChangedKits,
  type Kit,
  type KitStatus,
  type KitWish,
  bagMarks,
  listKits,
  setKitStatus,
  setKitStatuses,
} from './kits';
export { packFromStock, type FromStock, type ReadyBag } from './fromStock';
export {
  HELD_MINUTES,
  actOnBag,
  listPacking,
  type BagAct,
  type PackingAct,
  type PackingKit,
} from './packing';
export { bagLabels, cardsPdf, labelsPdf, outerLabels } from './bagPrints';
export {
  extrasSchema,
  handedOutOrder,
  projectBags,
  readKeptExtras,
  saveExtras,
  type KeptExtras,
} from './keptExtras';
export {
  handOver,
  listHandovers,
  takeHandoverBack,
  type Handover,
  type HandoverWay,
  type NewHandover,
} from './handovers';
