export { PaceBookList as default } from '@client/frame/screens';
