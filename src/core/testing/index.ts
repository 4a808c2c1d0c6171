export {
  cutGrid,
  hexagonMosaic,
  mixedMosaic,
  partition,
  patch,
  plate,
  rosette,
  starOfDiamonds,
} from './mosaics';
export { leastTime } from './machinePace';
export { cutAtRandom, seededRandom, shaken } from './shaken';
