export {
  addLogEntry,
  listLog,
  readLogPicture,
  setLogRemoved,
  type LogEntry,
  type LogKind,
  type NewLogEntry,
} from './logbook';
