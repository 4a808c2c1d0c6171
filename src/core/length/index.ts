export { MM_PER_INCH, parseLength } from './parseLength';
export { formatAngle, formatArea, formatLength, type UnitSystem } from './formatLength';
export { CUTTING_GRID_MM, roundUpToGrid } from './cuttingGrid';
export { UNIT_DEFAULTS, type UnitDefaults } from './unitDefaults';
export { boltUnit, formatBolt, formatThread, threadUnit } from './bolt';
