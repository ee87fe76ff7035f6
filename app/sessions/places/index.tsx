export { VenueList as default } from '@client/frame/screens';
