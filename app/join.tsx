export { JoinForm as default } from '@client/screens';
