// @vitest-environment jsdom
import { expect, it } from 'vitest';
import { standalone, strip } from '../../../resources/js/routine/film';

it('takes a picture with its colours, and without what only the page needs', () => {
    document.body.innerHTML =
        '<svg class="block" viewBox="0 0 10 10"><rect style="fill: rgb(1, 2, 3)" fill="var(--color-x)" width="4" height="4"/><path fill="none" stroke="#abcdef"/></svg>';
    const taken = new DOMParser().parseFromString(standalone(document.querySelector('svg')!), 'text/html').querySelector('svg')!;
    expect(taken.querySelector('rect')!.getAttribute('fill')).toBe('rgb(1, 2, 3)');
    expect(taken.querySelector('path')!.getAttribute('stroke')).toBe('#abcdef');
    expect(taken.hasAttribute('class')).toBe(false);
});

it('sets frames side by side, each with its time and what it shows', () => {
    const picture = { svg: '<svg viewBox="0 0 10 10"><rect/></svg>', says: 'Lid <open> & up' };
    const film = strip(
        [
            { time: 0, pictures: [picture, picture] },
            { time: 1.254, pictures: [picture] },
        ],
        100,
        60,
        'Troll & show',
        '#123',
        '#fff',
    );
    const read = new DOMParser().parseFromString(film, 'image/svg+xml');
    expect(read.querySelector('parsererror')).toBeNull();
    expect(read.documentElement.getAttribute('viewBox')).toBe('0 0 224 166');
    const frames = [...read.querySelectorAll('svg > svg')].map((each) => ['x', 'y', 'width', 'height'].map((name) => Number(each.getAttribute(name))));
    expect(frames).toEqual([
        [8, 22, 100, 60],
        [8, 90, 100, 60],
        [116, 22, 100, 60],
    ]);
    const texts = [...read.querySelectorAll('text')].map((each) => each.textContent);
    expect(texts.filter((each) => each === 'Lid <open> & up')).toHaveLength(3);
    expect(texts).toContain('1.25 s');
    expect(read.querySelector('title')!.textContent).toBe('Troll & show');
});
