/** What reads and writes lists as CSV, in one file of its own: nobody needs it at first. */
export { targetsCsv } from '@core/formats/targetsCsv';
export { FilesPage } from '../squad/files/FilesPage';
