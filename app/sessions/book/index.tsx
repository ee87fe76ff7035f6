export { BookPage as default } from '@client/screens';
