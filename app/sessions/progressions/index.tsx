export { ProgressionList as default } from '@client/frame/screens';
