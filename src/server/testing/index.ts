export { asksOf, makePlace, type Asks, type People, type World } from './asks';
export { progressEvent } from './progressEvent';
export { refusal } from './refusal';
export { openDemo } from './openDemo';
export { inAnyOrder, plainly } from './plainly';
export { testDatabase, testProject, type TestProject } from './testDatabase';
