export { NewSeason as default } from '@client/frame/screens';
