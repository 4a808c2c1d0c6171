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
export { leastTime, pacedTime } from './machinePace';
export { cutAtRandom, seededRandom, shaken } from './shaken';
