// The look chosen on this device, before anything is drawn: see client/store/settings.ts, which keeps it.
try {
  document.documentElement.dataset.look =
    JSON.parse(localStorage.getItem('zest-lap-settings') || '{}').look || 'system';
} catch {
  // Without storage the look is that of the device.
}
// The app opens on this week: without this its router would first draw a redirect there.
if (location.pathname === '/') history.replaceState(null, '', '/season');
