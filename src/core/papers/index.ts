export {
  DEFAULT_USES_PER_PAPER,
  papersInPlay,
  withSpares,
  type BastePolicy,
  type PaperNeed,
} from './papersInPlay';
