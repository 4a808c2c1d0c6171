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
