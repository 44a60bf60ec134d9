// npm run openapi: writes docs/openapi.json and docs/template-package.schema.json from what the server checks; a test holds it to that.
import { writeFileSync } from 'node:fs';
import { describeApi, describePackage } from '../src/contract/openapi/openapi';

const write = (file: string, value: object): void =>
  writeFileSync(file, `${JSON.stringify(value, null, 2)}\n`);
write('docs/openapi.json', describeApi());
write('docs/template-package.schema.json', describePackage());
