import { decodeText } from './decodeText.ts';

test.each([
  ['UTF-8', [0x6d, 0x6d, 0xc2, 0xb2], 'mm²'],
  ['UTF-8 with its mark', [0xef, 0xbb, 0xbf, 0x61], 'a'],
  // 0xB2, 0xB5 and 0xF6 alone are no UTF-8.
  ['what Windows writes', [0x6d, 0x6d, 0xb2, 0x20, 0xb5, 0xf6], 'mm² µö'],
  ['UTF-16, low byte first', [0xff, 0xfe, 0xb2, 0x00], '²'],
  ['UTF-16, high byte first', [0xfe, 0xff, 0x00, 0xb2], '²'],
])('%s is read as it was written', (_, bytes, text) => {
  expect(decodeText(Uint8Array.from(bytes))).toBe(text);
});
