// The look chosen on this device, before anything is drawn: see client/store/settings.ts, which keeps it.
try {
  document.documentElement.dataset.look =
    JSON.parse(localStorage.getItem('zest-lap-settings') || '{}').look || 'system';
} catch {
  // Without storage the look is that of the device.
}
// Where the app begins: without this its router would first draw the way there.
if (location.pathname === '/') history.replaceState(null, '', '/season');
