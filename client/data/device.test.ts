import { deviceId } from './device';

test('a phone keeps the name that it was given, and another one gets another', () => {
  localStorage.clear();
  const name = deviceId();
  expect(name).toMatch(/^[0-9a-f-]{36}$/);
  expect(deviceId()).toBe(name);
  localStorage.setItem('brook.device', 'phone-7');
  expect(deviceId()).toBe('phone-7');
  localStorage.clear();
  expect(deviceId()).not.toBe(name);
});
