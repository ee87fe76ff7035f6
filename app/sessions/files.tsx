export { BookFiles as default } from '@client/frame/screens';
