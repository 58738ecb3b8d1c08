export { load, ssr } from '../+page';
