export {
  addLogEntry,
  listLog,
  setLogRemoved,
  type LogEntry,
  type LogKind,
  type NewLogEntry,
} from './logbook';
