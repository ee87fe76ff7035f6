export { BookFiles as default } from '@client/screens';
