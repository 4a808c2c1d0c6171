export { addPhoto, listPhotos, readMakerPhoto, readPhoto, setPhotoRemoved, type StepPhoto } from './photos';
