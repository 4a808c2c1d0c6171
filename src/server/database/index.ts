export { connect, database, inTransaction, json, type Sql } from './database';
export { contentHash, derived, derivedAll, dropOldResults, hashOf } from './derived';
export { migrate, NewerSchemaError } from './migrate';
