export { answering, refused, unreachable, type Asked } from './answering';
export { FakeStream } from './fakeStream';
export { navigation } from './navigation';
export { settled } from './settled';
