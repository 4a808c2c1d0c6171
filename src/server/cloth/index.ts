export { clothColours, clothLooks, keepLooks, renameCloth } from './cloths';
export { clothShelf, setShelf, type ShelvedCloth } from './shelf';
