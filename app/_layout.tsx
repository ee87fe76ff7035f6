export { AppFrame as default } from '@client/frame/AppFrame';
export { Crash as ErrorBoundary } from '@client/ui/Crash';
