export { progressEvent } from './progressEvent';
export { refusal } from './refusal';
export { testDatabase, testProject, type TestProject } from './testDatabase';
