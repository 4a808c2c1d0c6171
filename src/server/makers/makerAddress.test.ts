import { afterEach, expect, test, vi } from 'vitest';
import { makerAddress, publicAddress } from './makerAddress';

const asked = (host?: string) => new Request('http://x/', { headers: host === undefined ? {} : { host } });
afterEach(() => void vi.unstubAllEnvs());

test('a maker’s page is where the shop is reached from outside, else where it is asked for', () => {
  vi.stubEnv('PUBLIC_URL', undefined);
  expect(makerAddress(asked('10.0.0.5:3000'), 'tok')).toBe('http://10.0.0.5:3000/m/tok');
  expect(publicAddress(asked(), '/p/1')).toBe('http://127.0.0.1:3000/p/1');
  for (const url of ['https://quilts.example', 'https://quilts.example/']) {
    vi.stubEnv('PUBLIC_URL', url);
    expect(makerAddress(asked('10.0.0.5:3000'), 'tok')).toBe('https://quilts.example/m/tok');
  }
});
