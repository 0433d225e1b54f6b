import { makeTemplates } from './studio';

export default makeTemplates;
