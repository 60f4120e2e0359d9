/** An id that no entry has yet. */
export function freeId(entries: { id: string }[], word: string): string {
    const taken = new Set(entries.map((each) => each.id));
    let number = entries.length + 1;
    while (taken.has(`${word}-${number}`)) {
        number++;
    }
    return `${word}-${number}`;
}
