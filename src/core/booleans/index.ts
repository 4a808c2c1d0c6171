/** Areas that outlines cover together, by a clipping library: a room of its own, so that what only draws never loads it. */
export { overlapOf, type Overlap } from './overlapArea';
