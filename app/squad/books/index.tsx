export { BookList as default } from '@client/screens';
