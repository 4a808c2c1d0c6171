export { clothColours, clothLooks, keepLooks, renameCloth } from './cloths';
