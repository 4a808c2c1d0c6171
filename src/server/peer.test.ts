import { expect, test } from 'vitest';
import { addressOf } from './peer';

test('who calls is the connection, or what the outermost own proxy wrote; never what a caller writes', () => {
  const headers = (forwarded: string) =>
    new Headers({ 'x-kevlo-peer': '::ffff:10.1.1.1', 'x-forwarded-for': forwarded });
  expect(addressOf(headers('6.6.6.6'), 0)).toBe('10.1.1.1');
  expect(addressOf(headers('6.6.6.6, 9.9.9.9'), 1)).toBe('9.9.9.9');
  expect(addressOf(headers('6.6.6.6, 9.9.9.9, 10.0.0.2'), 2)).toBe('9.9.9.9');
  expect(addressOf(headers('nonsense'), 1)).toBe('10.1.1.1');
  const six = (address: string) => addressOf(new Headers({ 'x-kevlo-peer': address }), 0);
  expect(six('2001:db8:1:2:3:4:5:6')).toBe(six('2001:db8:1:2::9'));
  expect(six('2001:db8:1:2::9')).not.toBe(six('2001:db8:1:3::9'));
  // Shortened or in full it is the same network.
  expect(six('2001::4:5:6:7:8')).toBe(six('2001:0:0:4:5:6:7:8'));
  expect(six('::4:5:6:7:8')).toBe(six('0:0:0:4:5:6:7:8'));
});
