export { NoSuchPage as default } from '@client/ui/NoSuchPage';
