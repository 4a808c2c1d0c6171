import { expect, test } from 'vitest';
import { formatMoney, plainMoney, signOf } from '.';

test('money is told in its currency, with the decimals that it has; in none where nobody said', () => {
  expect(formatMoney(1234.5, '')).toBe('1234.50');
  expect(formatMoney(1234.5, 'GBP')).toBe('£1,234.50');
  expect(formatMoney(4.5, 'EUR')).toBe('€4.50');
  expect(formatMoney(450.4, 'JPY')).toBe('¥450');
  expect(formatMoney(4.5, 'CHF')).toMatch(/^CHF.4\.50$/);
  expect(formatMoney(4.5, 'QQQ')).toMatch(/^QQQ.4\.50$/);
  expect(['', 'GBP', 'JPY', 'KWD'].map((code) => plainMoney(1234.5, code))).toEqual([
    '1234.50',
    '1234.50',
    '1235',
    '1234.500',
  ]);
  expect(['', 'GBP', 'USD', 'CHF'].map(signOf)).toEqual(['', '£', '$', 'CHF']);
});
