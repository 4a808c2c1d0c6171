export { clothColours, clothLooks, readLooks, keepLooks, renameCloth } from './cloths';
export { clothShelf, setShelf, setShelves, type ShelvedCloth } from './shelf';
export { shelfSchema } from './shelfSchema';
