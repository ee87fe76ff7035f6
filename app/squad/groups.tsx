export { GroupsPage as default } from '@client/screens';
