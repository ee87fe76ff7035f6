export { LibraryFiles as default } from '@client/frame/screens';
