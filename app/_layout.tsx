export { AppFrame as default } from '@client/ui/AppFrame';
export { Crash as ErrorBoundary } from '@client/ui/Crash';
