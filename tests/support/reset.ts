import { closePool } from '../../src/data/database';
import { stand } from './house';

// Makes the house that the stories of this run begin with. Only ever run by the tests.
await stand('demo');
await closePool();
