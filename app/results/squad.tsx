export { SquadReviewPage as default } from '@client/frame/screens';
