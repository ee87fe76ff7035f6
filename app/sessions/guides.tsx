export { GuidesPage as default } from '@client/frame/screens';
