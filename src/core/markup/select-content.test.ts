import { serialize } from 'parse5';
import { describe, expect, it } from 'vitest';
import { parsePage } from './lean-adapter';

const bodyOf = (text: string): string => {
  const document = parsePage(text);
  const root = document.childNodes.find((node) => node.nodeName === 'html');
  if (!root || !('childNodes' in root)) throw new Error('a page without a root');
  const body = root.childNodes.find((node) => node.nodeName === 'body');
  return body && 'childNodes' in body ? serialize(body) : '';
};

// What Chromium 156 makes of each.
const READ: readonly (readonly [page: string, body: string])[] = [
  ['<p><select><p>x', '<p><select><p>x</p></select></p>'],
  ['<b><select><i></b>x</select>y', '<b><select><i>x</i></select><i>y</i></b>'],
  ['<div><select></div>y', '<div><select>y</select></div>'],
  ['<select><div></select>z', '<select><div></div></select>z'],
  [
    '<table><tr><td><select><td>x',
    '<table><tbody><tr><td><select></select></td><td>x</td></tr></tbody></table>',
  ],
  ['<table><select><tr><td>y', '<select></select><table><tbody><tr><td>y</td></tr></tbody></table>'],
  ['<select><option>a<div>b<option>c', '<select><option>a<div>b<option>c</option></div></option></select>'],
  ['<select><select>x', '<select></select>x'],
  ['<select><option><input>y', '<select><option></option></select><input>y'],
  ['<select><textarea>x</textarea>y', '<select><textarea>x</textarea>y</select>'],
  [
    '<select><optgroup><option>a<optgroup><option>b<hr><option>c',
    '<select><optgroup><option>a</option></optgroup><optgroup><option>b</option></optgroup><hr><option>c</option></select>',
  ],
  ['<li><select><li>x', '<li><select><li>x</li></select></li>'],
  ['<button><select><button>x', '<button><select><button>x</button></select></button>'],
  ['<select><option>a</p>b</select>', '<select><option>a<p></p>b</option></select>'],
  ['<select><b><option>x</select>y', '<select><b><option>x</option></b></select><b>y</b>'],
  ['<a><select><a>x', '<a><select><a>x</a></select></a>'],
  ['<form><select><form>x</form>y</select>z', '<form><select>xy</select>z</form>'],
  ['<select><option>a<img src=x></option></select>b', '<select><option>a<img src="x"></option></select>b'],
  ['<table><tr><select><td>x</select>', '<select></select><table><tbody><tr><td>x</td></tr></tbody></table>'],
  [
    '<select><table><tr><td><select>x',
    '<select><table><tbody><tr><td><select>x</select></td></tr></tbody></table></select>',
  ],
  [
    '<select><option><table><tr><td>x<option>y',
    '<select><option><table><tbody><tr><td>x<option>y</option></td></tr></tbody></table></option></select>',
  ],
  ['<select><option><select>x', '<select><option></option></select>x'],
  ['<h1><select><h2>x', '<h1><select><h2>x</h2></select></h1>'],
  ['<select><svg><option>x', '<select><svg><option>x</option></svg></select>'],
  ['<option><p><option>x', '<option><p><option>x</option></p></option>'],
  ['<select><p><option>x<optgroup>', '<select><p></p><option>x</option><optgroup></optgroup></select>'],
  ['<ruby><select><rt>x', '<ruby><select><rt>x</rt></select></ruby>'],
  ['<select></body>x', '<select>x</select>'],
  ['<select><keygen>x', '<select><keygen>x</select>'],
  ['<nobr><select><nobr>x', '<nobr><select><nobr>x</nobr></select></nobr>'],
  ['<dl><dt><select><dd>x', '<dl><dt><select><dd>x</dd></select></dt></dl>'],
  ['<object><select></object>x', '<object><select>x</select></object>'],
  ['<select><marquee><option>x</select>y', '<select><marquee><option>xy</option></marquee></select>'],
  ['<select><optgroup><p>q</optgroup>r', '<select><optgroup><p>qr</p></optgroup></select>'],
  ['<select><option><b>x</option>y', '<select><option><b>x</b></option><b>y</b></select>'],
  [
    '<select><option><p>x</option>y<option>z',
    '<select><option><p>xy</p></option><option>z</option></select>',
  ],
  ['<select><frameset>x', '<select>x</select>'],
  ['<select><body a=b><html c=d>x', '<select>x</select>'],
  ['<select><button><select>x', '<select><button></button></select>x'],
  ['<select><dd><p><b><hr>', '<select><dd><p><b></b></p></dd><hr></select>'],
];

describe('what stands within a select', () => {
  it.each(READ)('%s', (page, body) => {
    expect(bodyOf(page)).toBe(body);
  });
});
