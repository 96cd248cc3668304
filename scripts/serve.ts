import '../src/serve/serve';
