export { NewSeason as default } from '@client/screens';
