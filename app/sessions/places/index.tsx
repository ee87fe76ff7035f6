export { VenueList as default } from '@client/screens';
