export { TrackHome as default } from '@client/screens';
