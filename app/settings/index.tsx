export { SettingsPage as default } from '@client/frame/screens';
