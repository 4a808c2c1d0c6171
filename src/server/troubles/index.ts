export { followTicks } from './followTicks';
export { makerTroubles, readMakerWordImage, sayWord, type MakersWord } from './makersSide';
export { actOnTrouble, noteForAll, type TroubleAct } from './hostsSide';
export {
  listTroubles,
  readWordImage,
  type ListedTrouble,
  type Trouble,
  type TroubleState,
  type TroubleWord,
} from './troubles';
