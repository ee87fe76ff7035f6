/** What checks with the server's own schemas. It is all asked for from here, so that the validator is in one file of its own. */
export { readAthleteFile } from '@core/formats/athleteFile';
export { readSessions, writeSessionsFile, writeSessionText } from '@core/formats/sessionFile';
export { checkAthlete, readAbout } from './readAthlete';
