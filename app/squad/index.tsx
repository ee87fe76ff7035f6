export { SquadPage as default } from '@client/frame/screens';
