export { renameCloth, splitCloth, takeClothChangeBack, type ClothChange } from './clothChanges';
export { substituteCloth, type MakersCloth } from './substituteCloth';
export { clothColours, clothLooks, readLooks, keepLooks } from './cloths';
export { clothShelf, setShelf, setShelves, type ShelvedCloth } from './shelf';
export { shelfSchema } from './shelfSchema';
export { readClothPicture, setClothPicture, type PictureChange } from './pictures';
