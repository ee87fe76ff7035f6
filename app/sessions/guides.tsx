export { GuidesPage as default } from '@client/screens';
