export { asksOf, makePlace, type Asks, type People, type World } from './asks';
export { progressEvent } from './progressEvent';
export { refusal } from './refusal';
export { addToDemo, openDemo } from './openDemo';
export { inAnyOrder, plainly } from './plainly';
export { smallPicture } from './smallPicture';
export { testDatabase, testProject, type TestProject } from './testDatabase';
