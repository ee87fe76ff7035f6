export { ProgressionList as default } from '@client/screens';
