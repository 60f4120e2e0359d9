/** What is drawn in a picture, with its colours and letters as they are on the page: it is seen outside of it too. */
export function standalone(svg: SVGSVGElement): string {
    const copy = svg.cloneNode(true) as SVGSVGElement;
    const drawn = [svg, ...svg.querySelectorAll('*')];
    [copy, ...copy.querySelectorAll('*')].forEach((element, i) => {
        const style = getComputedStyle(drawn[i]!);
        for (const property of ['fill', 'stroke'] as const) {
            const value = element.getAttribute(property) ?? '';
            if (value.includes('var(') || value === 'currentColor') {
                element.setAttribute(property, style[property]);
            }
        }
        if (element.tagName === 'text') {
            element.setAttribute('fill', style.fill);
            element.setAttribute('font-size', style.fontSize);
            element.setAttribute('font-weight', style.fontWeight);
        }
        element.removeAttribute('class');
        element.removeAttribute('tabindex');
    });
    return copy.outerHTML;
}

export interface Frame {
    time: number;
    pictures: { svg: string; says: string }[];
}

const GAP = 8;

const LABEL = 22;

/** Frames side by side in one picture, each with its time over it; their pictures one under the other. */
export function strip(frames: Frame[], width: number, height: number, title: string, background: string, ink: string): string {
    const rows = Math.max(0, ...frames.map((frame) => frame.pictures.length));
    const [across, down] = [frames.length * (width + GAP) + GAP, LABEL + rows * (height + GAP) + GAP];
    const inner = frames.flatMap((frame, i) => {
        const left = GAP + i * (width + GAP);
        return [
            `<text x="${left}" y="16" font-size="13" fill="${ink}">${frame.time.toFixed(2)} s</text>`,
            ...frame.pictures.map(({ svg, says }, j) => {
                const top = LABEL + j * (height + GAP);
                const picture = svg.replace(/^<svg\b/, `<svg x="${left}" y="${top}" width="${width}" height="${height}"`);
                return `${picture}<text x="${left + 6}" y="${top + 15}" font-size="11" fill="${ink}">${escaped(says)}</text>`;
            }),
        ];
    });
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${across} ${down}" width="${across}" height="${down}" font-family="Archivo, sans-serif"><title>${escaped(title)}</title><rect width="${across}" height="${down}" fill="${background}"/>${inner.join('')}</svg>\n`;
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** Hands a text over as a file. */
export function save(text: string, type: string, name: string) {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type }));
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
