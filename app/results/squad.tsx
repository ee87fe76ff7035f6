export { SquadReviewPage as default } from '@client/screens';
