export { ResultFiles as default } from '@client/frame/screens';
