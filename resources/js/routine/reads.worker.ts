import { read, type Asked } from './reads';

self.onmessage = ({ data }: MessageEvent<Asked>) => self.postMessage(read(data));
