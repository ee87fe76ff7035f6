/** Everything of writing sessions that is opened from a list, in one file of its own. */
export { BookFiles } from './book/BookFiles';
export { BookPage } from './book/BookPage';
export { BookSessionEditor } from './book/BookSessionEditor';
export { ProgressionList, ProgressionPage } from './book/Progressions';
export { GuidesPage } from './GuidesPage';
export { SessionEditor } from './SessionEditor';
