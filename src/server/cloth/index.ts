export { clothColours, clothLooks, keepLooks, renameCloth } from './cloths';
export { clothShelf, setShelf, setShelves, type ShelvedCloth } from './shelf';
