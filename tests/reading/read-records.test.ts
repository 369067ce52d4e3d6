import { expect, it } from 'vitest';
import { dayOf } from '@/core/dating/day';
import { readRecords, recordsText } from '@/server/reading/read-records';

it.each<[string, readonly number[]]>([
  ['UTF-8', [0x5a, 0x6f, 0xc3, 0xab]],
  ['UTF-8 with its mark', [0xef, 0xbb, 0xbf, 0x5a, 0x6f, 0xc3, 0xab]],
  ['windows-1252', [0x5a, 0x6f, 0xeb]],
  ['UTF-16 with its mark', [0xff, 0xfe, 0x5a, 0x00, 0x6f, 0x00, 0xeb, 0x00]],
])('reads what a program wrote as %s', (_, bytes) => {
  expect(recordsText(Uint8Array.from(bytes)).replace(/^\ufeff/u, '')).toBe('Zoë');
});

const read = (content: string) => readRecords(content, 'records');

it('takes days, lists written as one text, addresses however they begin, and a byte order mark', () => {
  const line =
    '{"record":"picture","files":"/img/a.jpg","creator":"Ann Lee","from":"2026-01-31","until":null}';
  expect(read(`\ufeff${line}\n\n`)).toEqual([
    { record: 'picture', files: ['img/a.jpg'], creator: ['Ann Lee'], from: dayOf(2026, 1, 31), until: null },
  ]);
});

it('takes CSV with any of the usual signs, null by its name, lists and JSON in cells', () => {
  const csv = [
    'record;files;licence;people;id;releases;commercial;pattern',
    'picture;"a.jpg|b.jpg";null;some;;;;',
    'person;;;;p1;"[{""until"":""2026-08-31""}]";;',
    'section;;;;;;no;shop/**',
    'shows;"[""a.jpg""]";;"p1; p2";;;;',
  ].join('\r\n');
  expect(read(csv)).toEqual([
    { record: 'picture', files: ['a.jpg', 'b.jpg'], licence: null, people: 'some' },
    { record: 'person', id: 'p1', releases: [{ until: dayOf(2026, 8, 31) }] },
    { record: 'section', pattern: 'shop/**', commercial: false },
    { record: 'shows', files: ['a.jpg'], people: ['p1', 'p2'] },
  ]);
});

it.each<[string, string, RegExp]>([
  ['no JSON', '{"record":"site"}\n{"record":', /Line 2 .* not JSON/],
  ['no record', '{"record":"letter"}', /Line 1 .* none of site, section, picture/],
  ['no files', '{"record":"picture"}', /Line 1 .*"files" is required/],
  ['no day', '{"record":"picture","files":["a"],"until":"31.8.2026"}', /Line 1 .*YYYY-MM-DD/],
  [
    'a day that is none',
    '{"record":"picture","files":["a"],"until":"2026-02-30"}',
    /Line 1 .*2026-02-30 is no day/,
  ],
  [
    'people in other words',
    '{"record":"picture","files":["a"],"people":"many"}',
    /Line 1 .*"people" must be one of/,
  ],
  ['releases in CSV that are no JSON', 'record,id,releases\nperson,p1,soon', /releases is not JSON/],
])('%s: says the line and why', (_, content, why) => {
  expect(() => read(content)).toThrow(
    expect.objectContaining({ problem: expect.objectContaining({ code: 'RECORDS_UNREADABLE', why: expect.stringMatching(why) as string }) as object }), // oxfmt-ignore
  );
});
