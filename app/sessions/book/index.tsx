export { BookPage as default } from '@client/frame/screens';
