package org.biokinet.app.platform;

import com.fasterxml.jackson.databind.ObjectMapper;
import org.hibernate.cfg.AvailableSettings;
import org.hibernate.type.format.jackson.JacksonJsonFormatMapper;
import org.springframework.boot.autoconfigure.orm.jpa.HibernatePropertiesCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What is stored as JSON is read and written by the one mapper of the application. */
@Configuration
class JsonColumns {

  @Bean
  HibernatePropertiesCustomizer jsonColumnsByTheMapper(ObjectMapper json) {
    return properties ->
        properties.put(AvailableSettings.JSON_FORMAT_MAPPER, new JacksonJsonFormatMapper(json));
  }
}
