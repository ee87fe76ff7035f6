export { LibraryPage as default } from '@client/frame/screens';
