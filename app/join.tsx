export { JoinForm as default } from '@client/frame/screens';
