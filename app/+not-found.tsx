export { NoSuchPage as default } from '@client/frame/NoSuchPage';
