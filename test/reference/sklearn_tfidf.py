# Reads lines of JSON, each a list of terms, and writes the cosine of each pair of them by scikit-learn's TfidfVectorizer (smooth idf, L2).
import json
import sys

from sklearn.feature_extraction.text import TfidfVectorizer

texts = [json.loads(line) for line in sys.stdin]
vectors = TfidfVectorizer(analyzer=lambda terms: terms).fit_transform(texts)
print(json.dumps((vectors @ vectors.T).toarray().tolist()))
