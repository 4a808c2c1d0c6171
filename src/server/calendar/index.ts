export { calendarFileSchema, calendarSchema } from './calendarSchema';
export { projectIcs, readFeed, renewFeed } from './feed';
export { learntOf } from './learnt';
export { nextDropFor } from './nextDrop';
export { readKeptCalendar, saveCalendar, type KeptCalendar } from './keptCalendar';
export { blockWorks, projectPace, worksOf, type DropPace, type MakerPace, type ProjectPace } from './pace';
