export { ThisWeek as default } from '@client/season/ThisWeek';
