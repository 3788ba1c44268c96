import { contentIn } from './content';

const page = (...parts: unknown[]) =>
  [
    '<!DOCTYPE html><html><head><script src="/_next/static/chunks/a.js" async="" nonce="n"></script></head><body>',
    '<main>Katsura 14</main>',
    '<script nonce="n">(self.__next_f=self.__next_f||[]).push([0])</script>',
    ...parts.map((part) => `<script nonce="n">self.__next_f.push(${JSON.stringify(part)})</script>`),
    '<script nonce="n">requestAnimationFrame(function(){$RT=performance.now()});</script></body></html>',
  ].join('');

test('the content of a page is what its parts say, one after the other, with all marks', () => {
  const told = '0:{"q":"","t":"a \\u003cb\\u003e"}\n1:T5,x"]y\n2:["$","$L3"]\n';
  expect(contentIn(page([1, told.slice(0, 20)], [1, told.slice(20)]))).toBe(told);
});

test('a page without content, or with some that is no text, has none to give', () => {
  expect(contentIn('<html><body>Undrel</body></html>')).toBeUndefined();
  expect(contentIn(page())).toBeUndefined();
  expect(contentIn(page([1, '0:{}\n'], [3, 'AAEC']))).toBeUndefined();
});
