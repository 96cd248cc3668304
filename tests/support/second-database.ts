import { ownDatabase } from './own-database';

// Makes the database of the second half of the stories, and prints its address.
await ownDatabase('second_half');
process.stdout.write(process.env.DATABASE_URL!);
