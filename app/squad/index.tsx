export { SquadPage as default } from '@client/squad/SquadPage';
