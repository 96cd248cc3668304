import { ownDatabase } from './own-database';

// Makes the database of a part of the stories, by its name, and prints its address.
await ownDatabase(process.argv[2]!, 'demo');
process.stdout.write(process.env.DATABASE_URL!);
