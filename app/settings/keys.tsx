export { KeysPage as default } from '@client/frame/screens';
