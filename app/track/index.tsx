export { TrackHome as default } from '@client/frame/screens';
