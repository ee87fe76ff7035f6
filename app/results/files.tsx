export { ResultFiles as default } from '@client/screens';
