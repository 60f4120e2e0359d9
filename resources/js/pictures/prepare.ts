const MOST_PX = 1800;
const MOST_BYTES = 1_300_000;

/** Reads a picture file and makes it small enough to be stored: its name, and its bytes as base64. */
export async function prepared(file: File): Promise<{ name: string; data: string }> {
    const name = file.name.replace(/\.[a-z0-9]+$/i, '').slice(0, 80) || 'Picture';
    const bitmap = await createImageBitmap(file).catch(() => {
        throw new Error(`${file.name} is no picture that can be read: take a PNG, JPEG or WebP.`);
    });
    if (file.size <= MOST_BYTES && Math.max(bitmap.width, bitmap.height) <= MOST_PX * 2) {
        return { name, data: base64(new Uint8Array(await file.arrayBuffer())) };
    }
    const shrink = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(bitmap.width * shrink));
    canvas.height = Math.max(1, Math.round(bitmap.height * shrink));
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    return { name, data: canvas.toDataURL('image/jpeg', 0.85).split(',')[1]! };
}

function base64(bytes: Uint8Array): string {
    let text = '';
    for (let i = 0; i < bytes.length; i += 0x8000) {
        text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
    }
    return btoa(text);
}
