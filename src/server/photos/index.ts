export {
  addPhoto,
  encodeAnew,
  listPhotos,
  readMakerPhoto,
  readPhoto,
  setPhotoRemoved,
  type StepPhoto,
} from './photos';
export {
  addFinished,
  changeGallery,
  finishedFor,
  gallery,
  readFinished,
  readMakerFinished,
  removeFinished,
  type FinishedPhoto,
} from './finished';
