// elkjs answers messages of its own when it finds itself in a worker.
import 'elkjs/lib/elk-worker.min.js';
