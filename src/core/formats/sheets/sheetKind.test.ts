import { expect, test } from '@jest/globals';
import { sheetKind } from './sheetKind';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const utf16 = (text: string): Uint8Array =>
  Uint8Array.from([0xff, 0xfe, ...Array.from(text).flatMap((letter) => [letter.charCodeAt(0), 0])]);

test('texts and spreadsheets are told by their bytes', () => {
  expect(sheetKind(bytes('In,Name\n1,Ilse'))).toBe('text');
  expect(sheetKind(bytes('Name\n')).toString()).toBe('text');
  expect(sheetKind(utf16('In\tName'))).toBe('text');
  expect(sheetKind(Uint8Array.from([0x50, 0x4b, 3, 4, 20, 0]))).toBe('workbook');
  expect(sheetKind(Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 0, 0]))).toBe('workbook');
  // A sheet may speak of titles, cuts and arrows.
  expect(sheetKind(bytes('TITLE: A,B\n1,2'))).toBe('text');
  expect(sheetKind(bytes('Name,Note\n1,00:00:01 --> later'))).toBe('text');
});

test.each([
  ['a PNG picture', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10])],
  ['a PDF', bytes('%PDF-1.7')],
  ['bytes that are no text', Uint8Array.from([65, 0, 66, 67])],
  ['a SubRip subtitle file', bytes('1\n00:00:01,000 --> 00:00:03,000\nGood evening')],
  ['a SubRip subtitle file', bytes('\uFEFF1\r\n00:00:01,000 --> 00:00:03,000\r\nGood evening')],
  ['a WebVTT subtitle file', bytes('WEBVTT - Osier\n\n00:01.000 --> 00:02.000\nHello')],
  ['a timed-text file (TTML)', bytes('<?xml version="1.0"?>\n<tt xmlns="http://www.w3.org/ns/ttml">')],
  ['an edit list', bytes('TITLE: REGATTA\nFCM: NON-DROP FRAME\n001  AX  V  C')],
  ['a timeline (OTIO)', bytes('{ "OTIO_SCHEMA": "Timeline.1" }')],
])('%s is refused in words', (name, file) => {
  expect(() => sheetKind(file)).toThrow(name);
});
