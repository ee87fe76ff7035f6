export { FilesPage as default } from '@client/screens';
