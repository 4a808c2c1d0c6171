export {
  addPhoto,
  encodeAnew,
  listPhotos,
  readMakerPhoto,
  readPhoto,
  setPhotoRemoved,
  type StepPhoto,
} from './photos';
