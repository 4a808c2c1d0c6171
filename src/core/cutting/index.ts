export { stripCut, type StripCut } from './stripCut';
export { packLattice, swell, type Lattice } from './lattice';
export { packSheets, papersPerSheet, type PackedSheets, type Placed } from './packSheets';
export { cutPieces } from './cutPieces';
export { smallestCut, standardCuts, type StandardCut } from './standardCuts';
export { yieldsOf, type Yield } from './yields';
export {
  boltPlan,
  boltWork,
  boltsOf,
  type BoltPlan,
  type BoltRun,
  type BoltSize,
  type BoltStrip,
  type BoltWork,
  type CuttingPace,
} from './boltPlan';
export { handWork, type HandWork } from './handWork';
export { fromPieces, type ClothPiece, type CutPiece, type FromPieces } from './fromPieces';
export { CUT_SCHOOLS, GENEROUS_MM, cutBySchool, type CutSchool } from './cutSchools';
