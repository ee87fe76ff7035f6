export { BookList as default } from '@client/frame/screens';
