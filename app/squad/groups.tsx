export { GroupsPage as default } from '@client/frame/screens';
