export {
  cutGrid,
  hexagonMosaic,
  hexagonRows,
  mixedMosaic,
  partition,
  patch,
  plate,
  rosette,
  starOfDiamonds,
  tumblingCubes,
} from './mosaics';
export { BEHAVIOURS, simulatedGroup, type Behaviour, type SimulatedMaker } from './makerGroups';
export { fingerprint } from './fingerprint';
export { leastTime, pacedTime } from './machinePace';
export { cutAtRandom, seededRandom, shaken } from './shaken';
export { plannedOrder, plannedSheet } from './plannedSheet';
