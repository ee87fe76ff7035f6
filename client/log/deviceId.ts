import { ulid } from 'ulid';

const DEVICE_KEY = 'zest-lap-device';
let device: string | undefined;

/** This phone's id; kept in its storage, so that a reload is the same phone. */
export function deviceId(): string {
  if (device) return device;
  try {
    device = localStorage.getItem(DEVICE_KEY) ?? ulid();
    localStorage.setItem(DEVICE_KEY, device);
  } catch {
    device = ulid();
  }
  return device;
}
