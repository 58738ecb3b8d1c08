/** Lays the survey out where that would keep the page from painting. */
import { layOut, type LayRequest } from '../core/survey/survey';

addEventListener('message', ({ data }: MessageEvent<LayRequest>) => postMessage(layOut(data)));
