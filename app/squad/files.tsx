export { FilesPage as default } from '@client/frame/screens';
