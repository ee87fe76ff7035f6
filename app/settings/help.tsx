export { HelpPage as default } from '@client/frame/screens';
